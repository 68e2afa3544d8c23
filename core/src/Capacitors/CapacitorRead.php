<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Field\Id;
use Ash\Document\Field\ListOf;
use Ash\Document\Field\NotNegative;
use Ash\Document\Field\Positive;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Document\Kept;
use Ash\Document\Node;
use Ash\Document\OrNull;
use Ash\Document\Settled;
use Ash\Document\Shape;
use Ash\Document\WrittenEmpty;
use Ash\Facts\CapacitorKind;
use Ash\Logbook\EntryData;
use Ash\Quantity\Notation;
use Ash\Quantity\Typed;
use Ash\Quantity\Unit;

/** A capacitor looked at or measured. */
final readonly class CapacitorRead implements EntryData, Settled
{
    public const KIND = 'cap_reading';
    private const ESR_ZERO = 'is 0: the leads are shorted, or the part is. Zero the leads first: hold the probes together, give that as '
        .'lead_ohm, then measure again';

    /**
     * @param list<Look>   $visual
     * @param ?float       $esrOhm   as it is kept, the leads are taken off
     * @param ?float       $leadOhm  what the probes read together
     * @param ?bool        $reformed the leakage was read after reforming
     * @param ?bool        $sure     the value is meant, though it looks like a slip of the unit
     * @param list<string> $reasons
     * @param ?int         $year     of the machine
     */
    public function __construct(
        #[Text(160)]
        public string $cap,
        public bool $inCircuit,
        #[WrittenEmpty]
        #[ListOf(Look::class, distinct: true)]
        public array $visual = [],
        #[Typed(Unit::Farad)]
        public ?float $capacitanceF = null,
        #[Typed(Unit::Ohm)]
        public ?float $esrOhm = null,
        #[Typed(Unit::Ohm)]
        public ?float $leadOhm = null,
        #[NotNegative]
        public ?float $tanDelta = null,
        #[Typed(Unit::Hertz)]
        public ?float $frequencyHz = null,
        #[Typed(Unit::Ampere)]
        public ?float $leakageA = null,
        public ?bool $reformed = null,
        #[OrNull]
        #[Id]
        public ?string $meter = null,
        public ?bool $sure = null,
        #[Kept]
        public ?CapacitorKind $kind = null,
        #[Kept]
        #[Positive]
        public ?float $markedF = null,
        #[Kept]
        #[Positive]
        public ?float $ratedV = null,
        #[Kept]
        public ?PartVerdict $verdict = null,
        #[Kept]
        public ?bool $proven = null,
        #[Kept]
        #[ListOf(new Text())]
        public array $reasons = [],
        #[Kept]
        public ?PartLimits $limits = null,
        #[Kept]
        #[Whole(1900)]
        public ?int $year = null,
        #[Kept]
        #[Text]
        public ?string $meterName = null,
    ) {
    }

    public function settled(Node $read): static
    {
        if ($this->visual === [] && $this->measured()->apart() === []) {
            $read->refuse('must have a reading or a look');
        }
        $this->esrOhm !== 0.0 || $this->leadOhm !== null || $read->at('esr_ohm')->refuse(self::ESR_ZERO);

        return $this;
    }

    public function measured(): Measured
    {
        return new Measured($this->capacitanceF, $this->esrOhm, $this->tanDelta, $this->frequencyHz, $this->leakageA, $this->reformed ?? false);
    }

    /** As the rules see it, with the leads taken off. */
    public function judged(Part $part, ?float $railV, ?int $year, ?string $meterName): self
    {
        $net = $this->esrOhm === null ? null : max(0.0, $this->esrOhm - ($this->leadOhm ?? 0.0));
        $it = Shape::of(self::class)->with($this, ['esrOhm' => $net]);
        $judged = Judged::of($part, $it->measured(), $this->inCircuit, $this->visual, $railV);

        return Shape::of(self::class)->with($it, [
            'kind' => $part->kind, 'markedF' => $part->markedF, 'ratedV' => $part->ratedV, 'verdict' => $judged->verdict, 'proven' => $judged->proven,
            'reasons' => $judged->reasons, 'limits' => PartLimits::of($part, $judged->measured), 'year' => $year, 'meterName' => $meterName,
        ]);
    }

    public function sentence(string $text): string
    {
        $figures = array_filter([
            $this->capacitanceF === null ? null : Notation::print($this->capacitanceF, Unit::Farad, 4),
            $this->esrOhm === null ? null : 'ESR '.Notation::print($this->esrOhm, Unit::Ohm, 3),
            $this->tanDelta === null ? null : 'tan delta '.Notation::plain($this->tanDelta),
            $this->leakageA === null ? null : 'leakage '.Notation::print($this->leakageA, Unit::Ampere, 3),
            ...array_map(static fn (Look $look): string => $look->words(), $this->visual),
        ]);

        $verdict = $this->verdict === null ? '' : " ({$this->verdict->value}".($this->proven === false ? ', unproven' : '').')';

        return $this->cap.($this->inCircuit ? ' in circuit: ' : ' lifted: ').implode(', ', $figures).$verdict;
    }
}
