<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Http\ApiBody;
use Ash\Capacitors\SafetyClass;
use Ash\Document\Field\Between;
use Ash\Document\Field\Id;
use Ash\Document\Field\NotNegative;
use Ash\Document\Field\Number;
use Ash\Document\Field\Positive;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Document\Node;
use Ash\Document\OrNull;
use Ash\Document\Settled;
use Ash\Facts\CapacitorKind;
use Ash\Quantity\Notation;
use Ash\Quantity\Typed;
use Ash\Quantity\Unit;

/** A part as it is written down for the shelf: by a form, which sends every field, by a row of a file, or by a program. */
#[ApiBody]
final readonly class ShelfBody implements Settled
{
    public const MOST = 1_000_000;

    /**
     * @param ?string $donorBoard the board an original came from
     * @param ?string $cameOn     today when nothing is said
     */
    public function __construct(
        #[OrNull(emptyToo: true)]
        #[Id]
        public ?string $id = null,
        #[Text(60)]
        public string $sku = '',
        #[OrNull(emptyToo: true)]
        #[Text(160)]
        public ?string $name = null,
        #[OrNull(emptyToo: true)]
        public ?CapacitorKind $kind = null,
        #[OrNull(emptyToo: true)]
        #[Typed(Unit::Farad, aboveZero: true)]
        public ?float $markedF = null,
        #[OrNull(emptyToo: true)]
        #[Typed(Unit::Volt, aboveZero: true)]
        public ?float $ratedV = null,
        #[OrNull(emptyToo: true)]
        #[Whole(0, self::MOST)]
        public ?int $quantity = null,
        #[OrNull(emptyToo: true)]
        #[Whole(0, self::MOST)]
        public ?int $lowAt = null,
        #[Text(120)]
        public string $place = '',
        #[OrNull(emptyToo: true)]
        #[Text(120)]
        public ?string $source = null,
        #[OrNull(emptyToo: true)]
        #[Text(40)]
        public ?string $donorBoard = null,
        #[OrNull(emptyToo: true)]
        public ?bool $tested = null,
        #[OrNull(emptyToo: true)]
        #[Day]
        public ?string $cameOn = null,
        #[OrNull(emptyToo: true)]
        #[Between(0, 100)]
        public ?float $toleranceMinusPct = null,
        #[OrNull(emptyToo: true)]
        #[NotNegative]
        public ?float $tolerancePlusPct = null,
        #[OrNull(emptyToo: true)]
        #[NotNegative]
        public ?float $esrOhm = null,
        #[OrNull(emptyToo: true)]
        #[Positive]
        public ?float $hours = null,
        #[OrNull(emptyToo: true)]
        #[Number]
        public ?float $temperatureC = null,
        #[OrNull(emptyToo: true)]
        #[Positive]
        public ?float $diameterMm = null,
        #[OrNull(emptyToo: true)]
        #[Positive]
        public ?float $heightMm = null,
        #[OrNull(emptyToo: true)]
        #[Positive]
        public ?float $pitchMm = null,
        #[OrNull(emptyToo: true)]
        public ?SafetyClass $safetyClass = null,
    ) {
    }

    public function settled(Node $read): static
    {
        $read->at('sku');
        $read->at('place');
        if ($this->kind === null) {
            foreach ([...self::SPEC, 'marked_f', 'rated_v'] as $field) {
                $read->filled($field)?->refuse('belongs to a capacitor: say its kind');
            }
            $this->name !== null || $read->at('name')->text();
        } else {
            $this->markedF !== null || $read->at('marked_f')->refuse('is needed of a capacitor');
            $this->ratedV !== null || $read->at('rated_v')->refuse('is needed of a capacitor');
        }

        return $this;
    }

    private const SPEC = [
        'tolerance_minus_pct', 'tolerance_plus_pct', 'esr_ohm', 'hours', 'temperature_c', 'diameter_mm', 'height_mm', 'pitch_mm', 'safety_class',
    ];

    /** What it is called: by its value, when nobody wrote another name. */
    public function called(): string
    {
        return $this->name
            ?? Notation::print((float) $this->markedF, Unit::Farad, 4).' '.Notation::print((float) $this->ratedV, Unit::Volt)." {$this->kind?->words()}";
    }

    public function spec(): ShelfSpec
    {
        return new ShelfSpec(
            toleranceMinusPct: $this->toleranceMinusPct,
            tolerancePlusPct: $this->tolerancePlusPct,
            esrOhm: $this->esrOhm,
            hours: $this->hours,
            temperatureC: $this->temperatureC,
            diameterMm: $this->diameterMm,
            heightMm: $this->heightMm,
            pitchMm: $this->pitchMm,
            safetyClass: $this->safetyClass,
        );
    }
}
