<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Node;

/** The original that a substitute must stand for, and where it sits. mm, C, ohm; null where it is not known. */
final readonly class Wanted
{
    private const POSITIONS = ['filter', 'coupling', 'timing', 'mains'];

    private function __construct(
        public Part $part,
        public string $position,
        public ?SafetyClass $safetyClass,
        public ?float $esrOhm,
        public ?float $diameterMm,
        public ?float $heightMm,
        public ?float $pitchMm,
        public ?float $temperatureC,
        public ?float $railV,
        public ?float $clearanceMm,
    ) {
    }

    /** @param Node $part of the document; the rail and the clearance stand beside it */
    public static function read(Node $part, ?Node $railV, ?Node $clearance): self
    {
        $part->only(...Part::FIELDS, ...['position', 'safety_class', 'esr_ohm', 'diameter_mm', 'height_mm', 'pitch_mm', 'temperature_c']);
        $position = $part->at('position');
        in_array($position->string(), self::POSITIONS, true) || $position->refuse('must be one of '.implode(', ', self::POSITIONS));
        $rail = $railV?->number();

        return new self(
            Part::read($part), $position->string(), $part->optional('safety_class')?->enum(SafetyClass::class), $part->optional('esr_ohm')?->notNegative(),
            $part->optional('diameter_mm')?->positive(), $part->optional('height_mm')?->positive(), $part->optional('pitch_mm')?->positive(), $part->optional('temperature_c')?->number(),
            $rail === null ? null : abs($rail), $clearance?->positive(),
        );
    }

    /** The ESR that the circuit was made with: the original's own, else its limit. */
    public function esr(): ?float
    {
        return $this->esrOhm ?? $this->part->esrMaxOhm;
    }
}
