<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Node;

/** What a meter said of a capacitor. F, ohm, Hz, A; null where nothing was measured. */
final readonly class Measured
{
    public function __construct(
        public ?float $capacitanceF = null,
        public ?float $esrOhm = null,
        public ?float $tanDelta = null,
        public ?float $frequencyHz = null,
        public ?float $leakageA = null,
        /** the leakage was read after reforming */
        public bool $reformed = false,
    ) {
    }

    public static function read(?Node $node): self
    {
        return $node === null ? new self() : new self(
            $node->only('capacitance_f', 'esr_ohm', 'tan_delta', 'frequency_hz', 'leakage_a', 'reformed')->optional('capacitance_f')?->notNegative(),
            $node->optional('esr_ohm')?->notNegative(), $node->optional('tan_delta')?->notNegative(), $node->optional('frequency_hz')?->positive(),
            $node->optional('leakage_a')?->notNegative(), $node->optional('reformed')?->bool() ?? false,
        );
    }

    /** Up to 150 Hz, where an ESR holds the oxide's share. An unknown frequency counts as high. */
    public function low(): bool
    {
        return $this->frequencyHz !== null && \Ash\Quantity\Compare::atMost($this->frequencyHz, 150);
    }

    /** At 100 to 150 Hz, where the catalogues give their limits. An unknown frequency counts as high. */
    public function slow(): bool
    {
        return $this->frequencyHz !== null && \Ash\Quantity\Compare::atLeast($this->frequencyHz, 100) && \Ash\Quantity\Compare::atMost($this->frequencyHz, 150);
    }

    /** @return array<string, self> each quantity by itself, by its name; the frequency goes with ESR and with tan delta */
    public function apart(): array
    {
        return array_filter([
            'capacitance' => $this->capacitanceF === null ? null : new self(capacitanceF: $this->capacitanceF),
            'esr' => $this->esrOhm === null ? null : new self(esrOhm: $this->esrOhm, frequencyHz: $this->frequencyHz),
            'tan_delta' => $this->tanDelta === null ? null : new self(tanDelta: $this->tanDelta, frequencyHz: $this->frequencyHz),
            'leakage' => $this->leakageA === null ? null : new self(leakageA: $this->leakageA, reformed: $this->reformed),
        ]);
    }
}
