<?php

declare(strict_types=1);

namespace Ash\Corrosion;

use Ash\Document\Field\NotNegative;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Logbook\EntryData;
use Ash\Quantity\Notation;

/**
 * A place that a leak has touched. Grades: 0 clean; 1 dull or stained metal; 2 green on leads or solder, mask intact; 3 mask
 * lifted, pads or socket contacts eaten; 4 trace or leg gone, part or bracket crumbles (common practice, no source).
 */
final readonly class SurveyPlace implements EntryData
{
    public const KIND = 'survey';
    public const GRADES = [
        'clean', 'dull or stained metal', 'green on leads or solder, mask intact', 'mask lifted, pads or contacts eaten', 'trace or leg gone, part crumbles',
    ];

    public function __construct(
        #[Text(160)]
        public string $place,
        public Holds $holds,
        #[Whole(0, 4)]
        public int $grade,
        #[NotNegative]
        public ?float $distanceMm,
        public Carries $carries,
        #[NotNegative]
        public ?float $amps = null,
        #[Text(80)]
        public ?string $pin = null,
        public ?Trace $trace = null,
    ) {
    }

    /**
     * Worst first: grade, then what a failure there would do, then the nearest.
     *
     * @template K of array-key
     *
     * @param array<K, self> $places
     *
     * @return array<K, self> with their keys
     */
    public static function ordered(array $places): array
    {
        $rank = static fn (self $it): array => [-$it->grade, $it->carries->weight(), $it->distanceMm ?? INF, $it->place];
        uasort($places, static fn (self $a, self $b): int => $rank($a) <=> $rank($b));

        return $places;
    }

    public function graded(): string
    {
        return "grade {$this->grade}, ".self::GRADES[$this->grade];
    }

    public function sentence(string $text): string
    {
        $distance = $this->distanceMm === null ? '' : ', '.Notation::plain($this->distanceMm).' mm off';

        return "{$this->place}: {$this->graded()}{$distance}, carries {$this->carries->value}".($this->pin === null ? '' : ", {$this->pin}");
    }
}
