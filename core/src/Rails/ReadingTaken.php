<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Field\Id;
use Ash\Document\Field\ListOf;
use Ash\Document\Field\NotNegative;
use Ash\Document\Field\Text;
use Ash\Document\Kept;
use Ash\Document\Node;
use Ash\Document\OrNull;
use Ash\Document\Settled;
use Ash\Document\Shape;
use Ash\Facts\Band;
use Ash\Logbook\EntryData;
use Ash\Quantity\Notation;
use Ash\Quantity\Typed;
use Ash\Quantity\Unit;

/** A reading of a rail in the record, with the limits and the verdict of its day. */
final readonly class ReadingTaken implements EntryData, Settled
{
    public const KIND = 'reading';

    /**
     * @param ?RippleFrom  $rippleFrom computed from AC volts RMS as a sawtooth; null: seen on a scope
     * @param ?float       $leadOhm    of the leads, which are taken off; null: they were zeroed
     * @param ?bool        $changed    something on this rail was repaired, exchanged or adjusted before it was read
     * @param ?bool        $sure       it was asked back, and stands as it was said
     * @param ?Band        $band       that the bench had chosen
     * @param list<string> $reasons
     */
    public function __construct(
        #[Id]
        public string $run,
        #[Text(40)]
        public string $rail,
        #[Text(120)]
        public string $testPoint,
        public Load $load,
        #[Typed(Unit::Volt, signed: true)]
        public ?float $volts = null,
        #[Millivolts]
        public ?float $rippleMvpp = null,
        public ?RippleFrom $rippleFrom = null,
        #[Typed(Unit::Ampere)]
        public ?float $amps = null,
        #[Typed(Unit::Ohm)]
        public ?float $ohmsToGround = null,
        #[OrNull]
        #[Id]
        public ?string $meter = null,
        #[Typed(Unit::Ohm)]
        public ?float $leadOhm = null,
        public ?bool $changed = null,
        public ?bool $sure = null,
        #[Kept]
        #[Text]
        public ?string $meterName = null,
        #[Kept]
        public ?Band $band = null,
        #[Kept]
        public ?LimitsKept $limitsV = null,
        #[Kept]
        #[NotNegative]
        public ?float $guardV = null,
        #[Kept]
        public ?Verdict $verdict = null,
        #[Kept]
        #[ListOf(new Text())]
        public array $reasons = [],
    ) {
    }

    public function settled(Node $read): static
    {
        $this->volts !== null || $this->ohmsToGround !== null || $read->refuse('must have volts or ohms_to_ground or both');
        $this->leadOhm === null || $this->ohmsToGround !== null || $read->at('lead_ohm')->refuse('is taken off a resistance that is not there');
        $this->rippleFrom === null || $this->rippleMvpp !== null || $read->at('ripple_from')->refuse('says where a ripple comes from that is not there');

        return $this;
    }

    /** The reading as the rules take it, at the place that its test point stands for. */
    public function reading(?Point $point): Reading
    {
        return new Reading(
            rail: $this->rail,
            volts: $this->volts,
            load: $this->load,
            point: $point ?? Point::Board,
            rippleMvpp: $this->rippleMvpp,
            amps: $this->amps,
            ohmsToGround: $this->ohmsToGround,
            leadOhm: $this->leadOhm ?? 0.0,
            changed: $this->changed ?? false,
        );
    }

    public function judged(JudgedReading $it, Band $band, string $meterName): self
    {
        $limits = $it->rail->limits;

        return Shape::of(self::class)->with($this, [
            'meterName' => $meterName, 'band' => $band, 'limitsV' => new LimitsKept($limits->low, $limits->high),
            'guardV' => $it->guardV, 'verdict' => $it->verdict, 'reasons' => $it->reasons,
        ]);
    }

    public function sentence(string $text): string
    {
        $ripple = $this->rippleMvpp === null ? null : 'ripple '.Notation::plain($this->rippleMvpp).' mVpp'.($this->rippleFrom === null ? '' : ' from AC volts');
        $figures = array_filter([
            $this->volts === null ? null : Notation::print($this->volts, Unit::Volt),
            $ripple,
            $this->amps === null ? null : Notation::print($this->amps, Unit::Ampere),
            $this->ohmsToGround === null ? null : Notation::print(max(0.0, $this->ohmsToGround - ($this->leadOhm ?? 0.0)), Unit::Ohm).' to ground',
            $this->changed === true ? 'after a change on the rail' : null,
            $this->sure === true ? 'asked back, stands' : null,
        ]);
        $verdict = $this->verdict === null ? '' : " ({$this->verdict->words()})";

        return "{$this->rail} at {$this->testPoint}, {$this->load->words()}: ".implode(', ', $figures).$verdict;
    }
}
