<?php

declare(strict_types=1);

namespace Ash\Capacitors;

/** One reading of a capacitor: what was measured, where, and what it looked like. */
final readonly class Taken
{
    /** @param list<Look> $looks */
    public function __construct(public Measured $measured, public bool $inCircuit, public array $looks = [])
    {
    }

    /** @param array<string, mixed> $data of a reading in the record, with the leads taken off */
    public static function recorded(array $data): self
    {
        $number = static fn (string $field): ?float => is_numeric($data[$field] ?? null) ? (float) $data[$field] : null;
        $looks = is_array($data['visual'] ?? null) ? $data['visual'] : [];

        return new self(
            new Measured($number('capacitance_f'), $number('esr_ohm'), $number('tan_delta'), $number('frequency_hz'), $number('leakage_a')),
            ($data['in_circuit'] ?? false) === true,
            array_values(array_filter(array_map(static fn (mixed $look): ?Look => is_string($look) ? Look::tryFrom($look) : null, $looks))),
        );
    }
}
