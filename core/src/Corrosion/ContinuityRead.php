<?php

declare(strict_types=1);

namespace Ash\Corrosion;

use Ash\Document\Field\Id;
use Ash\Document\Field\ListOf;
use Ash\Document\Field\NotNegative;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Document\Kept;
use Ash\Document\OrNull;
use Ash\Document\Shape;
use Ash\Logbook\EntryData;
use Ash\Quantity\Notation;
use Ash\Quantity\Typed;
use Ash\Quantity\Unit;

/** Continuity of a place of the leak survey. */
final readonly class ContinuityRead implements EntryData
{
    public const KIND = 'continuity';

    /**
     * @param string       $place       the survey's entry
     * @param float        $measuredOhm INF where the meter shows open
     * @param float        $leadOhm     of the leads, probes together
     * @param ?float       $netOhm      null where it is open
     * @param list<string> $reasons
     * @param list<string> $wireSays    of the wire that replaces what is gone
     */
    public function __construct(
        #[Id]
        public string $place,
        #[OhmsOrOpen]
        public float $measuredOhm,
        #[Typed(Unit::Ohm)]
        public float $leadOhm,
        #[OrNull]
        #[Id]
        public ?string $meter = null,
        #[Kept]
        #[Text]
        public string $what = '',
        #[Kept]
        #[NotNegative]
        public ?float $netOhm = null,
        #[Kept]
        #[NotNegative]
        public ?float $expectedOhm = null,
        #[Kept]
        public ?TraceVerdict $verdict = null,
        #[Kept]
        #[ListOf(new Text())]
        public array $reasons = [],
        #[Kept]
        #[Whole(0)]
        public ?int $wireAwg = null,
        #[Kept]
        #[ListOf(new Text())]
        public array $wireSays = [],
        #[Kept]
        #[NotNegative]
        public ?float $traceCapacityA = null,
    ) {
    }

    /** As the rules see it at its place, with the wire that mends it when it is not sound. */
    public function judgedAt(SurveyPlace $place): self
    {
        $it = Continuity::judge(is_finite($this->measuredOhm) ? $this->measuredOhm : null, $this->leadOhm, $place->amps, $place->trace);
        $wire = $it->verdict === TraceVerdict::Sound ? null : Wire::inPlaceOf($place->trace, $place->amps);

        return Shape::of(self::class)->with($this, [
            'what' => $place->place, 'netOhm' => $it->netOhm, 'expectedOhm' => $it->expectedOhm, 'verdict' => $it->verdict, 'reasons' => $it->reasons,
            'wireAwg' => $wire?->awg, 'wireSays' => $wire->reasons ?? [], 'traceCapacityA' => $wire?->traceCapacityA,
        ]);
    }

    public function sentence(string $text): string
    {
        $value = is_finite($this->measuredOhm) ? Notation::print($this->measuredOhm, Unit::Ohm, 3) : 'open';

        return "{$this->what}: {$value}, ".($this->verdict->value ?? '').($this->reasons === [] ? '' : ' ('.implode('; ', $this->reasons).')');
    }
}
