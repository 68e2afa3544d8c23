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
        $node->only('sku', 'kind', 'marked_f', 'rated_v', 'tolerance_minus_pct', 'tolerance_plus_pct', 'esr_ohm', 'hours', 'temperature_c', 'diameter_mm', 'height_mm', 'pitch_mm', 'safety_class', 'quantity');
        $node->optional('tolerance_minus_pct')?->between(0, 100);
        $node->optional('tolerance_plus_pct')?->notNegative();

        return new self(
            $node->at('sku')->name(), $node->at('kind')->enum(CapacitorKind::class), $node->at('marked_f')->positive(), $node->at('rated_v')->positive(), $node->at('quantity')->integer(0),
            $node->optional('esr_ohm')?->notNegative(), $node->optional('hours')?->positive(), $node->optional('temperature_c')?->number(),
            $node->optional('diameter_mm')?->positive(), $node->optional('height_mm')?->positive(), $node->optional('pitch_mm')?->positive(), $node->optional('safety_class')?->enum(SafetyClass::class),
        );
    }
}
