<?php

declare(strict_types=1);

namespace Ash\Batteries;

use Ash\Document\Field\Id;
use Ash\Document\Field\ListOf;
use Ash\Document\Field\NotNegative;
use Ash\Document\Field\Number;
use Ash\Document\Field\Positive;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Document\Kept;
use Ash\Document\Shape;
use Ash\Logbook\EntryData;

/** A clock looked at again, and how it kept its time. */
final readonly class ClockRead implements EntryData
{
    public const KIND = 'clock_read';

    /**
     * @param string       $test             the entry with which the test began
     * @param float        $powerOffH        hours without power since
     * @param ?float       $clockResolutionS what the clock shows in; null: seconds
     * @param ?bool        $yearKept         false: the clock cannot hold its year
     * @param list<string> $reasons
     */
    public function __construct(
        #[Id]
        public string $test,
        public \DateTimeImmutable $checkedAt,
        public \DateTimeImmutable $clockRead,
        #[NotNegative]
        public float $powerOffH,
        #[Positive]
        public ?float $clockResolutionS = null,
        public ?bool $yearKept = null,
        #[Kept]
        #[Whole(-10_000, 10_000)]
        public ?int $yearOff = null,
        #[Kept]
        #[Number]
        public ?float $driftS = null,
        #[Kept]
        #[Number]
        public ?float $ppm = null,
        #[Kept]
        #[Number]
        public ?float $secondsPerDay = null,
        #[Kept]
        public ?ClockVerdict $verdict = null,
        #[Kept]
        #[ListOf(new Text())]
        public array $reasons = [],
    ) {
    }

    public function judged(Retention $it): self
    {
        return Shape::of(self::class)->with($this, [
            'yearOff' => $it->yearOff, 'driftS' => $it->driftS, 'ppm' => $it->ppm, 'secondsPerDay' => $it->secondsPerDay, 'verdict' => $it->verdict,
            'reasons' => $it->reasons,
        ]);
    }

    public function sentence(string $text): string
    {
        return 'Clock '.($this->verdict->value ?? '').($this->reasons === [] ? '' : ': '.implode(', ', $this->reasons));
    }
}
