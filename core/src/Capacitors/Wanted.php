<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Node;

/** The original that a substitute must stand for, and where it sits. mm, C, ohm; null where it is not known. */
final readonly class Wanted
{
    public function __construct(
        public Part $part,
        public Position $position,
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
        $rail = $railV?->number();

        return new self(
            part: Part::read($part),
            position: $part->at('position')->enum(Position::class),
            safetyClass: $part->optional('safety_class')?->enum(SafetyClass::class),
            esrOhm: $part->optional('esr_ohm')?->positive(),
            diameterMm: $part->optional('diameter_mm')?->positive(),
            heightMm: $part->optional('height_mm')?->positive(),
            pitchMm: $part->optional('pitch_mm')?->positive(),
            temperatureC: $part->optional('temperature_c')?->number(),
            railV: $rail === null ? null : abs($rail),
            clearanceMm: $clearance?->positive(),
        );
    }

    /** @return array{float, float} F: between which a substitute's marked value may lie; a filter may have half as much again, and not less */
    public function values(): array
    {
        return $this->position === Position::Filter ? [$this->part->markedF, 1.5 * $this->part->markedF] : $this->part->asked();
    }

    /** The ESR that the circuit was made with: the original's own, else its limit. */
    public function esr(): ?float
    {
        return $this->esrOhm ?? $this->part->esrMaxOhm;
    }
}
