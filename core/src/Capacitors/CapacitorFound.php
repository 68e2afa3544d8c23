<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Field\Between;
use Ash\Document\Field\Id;
use Ash\Document\Field\NotNegative;
use Ash\Document\Field\Number;
use Ash\Document\Field\Positive;
use Ash\Document\Field\Text;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Facts\CapacitorKind;
use Ash\Logbook\EntryData;
use Ash\Quantity\Typed;
use Ash\Quantity\Unit;

/**
 * A capacitor as somebody wrote it down: in a machine's description, or found while walking over the board. One without designator has
 * a place.
 */
final readonly class CapacitorFound implements EntryData, Settled
{
    public const KIND = 'capacitor';

    /**
     * @param ?string $pin         the pin of a picture that shows it
     * @param ?string $asked       of whom, when nobody knows what it is
     * @param ?bool   $kindGuessed nobody said the kind: it is taken from the value
     */
    public function __construct(
        #[Text(60)]
        public ?string $ref = null,
        #[Text(160)]
        public ?string $place = null,
        public ?CapacitorKind $kind = null,
        #[Typed(Unit::Farad, aboveZero: true)]
        public ?float $markedF = null,
        #[Typed(Unit::Volt, aboveZero: true)]
        public ?float $ratedV = null,
        #[Between(0, 100)]
        public ?float $toleranceMinusPct = null,
        #[NotNegative]
        public ?float $tolerancePlusPct = null,
        #[Positive]
        public ?float $esrMaxOhm = null,
        #[Positive]
        public ?float $tanDeltaMax = null,
        #[Positive]
        public ?float $leakageMaxA = null,
        public ?bool $metallisedPaper = null,
        public ?Position $position = null,
        public ?SafetyClass $safetyClass = null,
        #[NotNegative]
        public ?float $esrOhm = null,
        #[Positive]
        public ?float $diameterMm = null,
        #[Positive]
        public ?float $heightMm = null,
        #[Positive]
        public ?float $pitchMm = null,
        #[Number]
        public ?float $temperatureC = null,
        #[Text(60)]
        public ?string $board = null,
        #[Text(60)]
        public ?string $rail = null,
        #[Text(60)]
        public ?string $row = null,
        #[Text(160)]
        public ?string $where = null,
        #[Text(160)]
        public ?string $marking = null,
        #[Positive]
        public ?float $clearanceMm = null,
        #[Id]
        public ?string $pin = null,
        #[Text(120)]
        public ?string $asked = null,
        public ?bool $kindGuessed = null,
    ) {
    }

    public function settled(Node $read): static
    {
        $this->ref !== null || $this->place !== null || $read->refuse('must have a designator or a place');

        return $this;
    }

    /** What it is called on this board. */
    public function key(): string
    {
        return $this->ref ?? (string) $this->place;
    }

    public function part(): ?Part
    {
        return $this->kind === null || $this->markedF === null || $this->ratedV === null ? null : Part::of(
            kind: $this->kind,
            markedF: $this->markedF,
            ratedV: $this->ratedV,
            minusPct: $this->toleranceMinusPct,
            plusPct: $this->tolerancePlusPct,
            esrMaxOhm: $this->esrMaxOhm,
            tanDeltaMax: $this->tanDeltaMax,
            leakageMaxA: $this->leakageMaxA,
            metallisedPaper: $this->metallisedPaper ?? false,
        );
    }

    public function sentence(string $text): string
    {
        $it = BoardCapacitor::of($this);

        return "Capacitor {$it->key}: {$it->words()}".($this->kindGuessed === true ? ' (kind guessed from the value)' : '')
            .($this->rail === null ? '' : ", on {$this->rail}")
            .($this->asked === null ? '' : ", asked of {$this->asked}");
    }
}
