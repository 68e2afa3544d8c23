<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Node;
use Ash\Facts\CapacitorKind;

/** A capacitor that the shelf has. mm, C, h, ohm; null where it is not known. */
final readonly class Stock
{
    public function __construct(
        public string $sku,
        public CapacitorKind $kind,
        public float $markedF,
        public float $ratedV,
        public int $quantity,
        public ?float $esrOhm = null,
        public ?float $hours = null,
        public ?float $temperatureC = null,
        public ?float $diameterMm = null,
        public ?float $heightMm = null,
        public ?float $pitchMm = null,
        public ?SafetyClass $safetyClass = null,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->only(
            'sku',
            'kind',
            'marked_f',
            'rated_v',
            'tolerance_minus_pct',
            'tolerance_plus_pct',
            'esr_ohm',
            'hours',
            'temperature_c',
            'diameter_mm',
            'height_mm',
            'pitch_mm',
            'safety_class',
            'quantity',
        );
        $node->optional('tolerance_minus_pct')?->between(0, 100);
        $node->optional('tolerance_plus_pct')?->notNegative();

        return new self(
            sku: $node->at('sku')->name(), kind: $node->at('kind')->enum(CapacitorKind::class), markedF: $node->at('marked_f')->positive(),
            ratedV: $node->at('rated_v')->positive(), quantity: $node->at('quantity')->integer(0),
            esrOhm: $node->optional('esr_ohm')?->notNegative(), hours: $node->optional('hours')?->positive(),
            temperatureC: $node->optional('temperature_c')?->number(),
            diameterMm: $node->optional('diameter_mm')?->positive(), heightMm: $node->optional('height_mm')?->positive(),
            pitchMm: $node->optional('pitch_mm')?->positive(), safetyClass: $node->optional('safety_class')?->enum(SafetyClass::class),
        );
    }
}
