<?php

declare(strict_types=1);

namespace App\Instruments;

/** A number from a meter, or the state that explains why there is none. */
final readonly class MeterReading
{
    private function __construct(public MeterState $state, public ?float $value, public string $words)
    {
    }

    public static function value(float $value): self
    {
        return new self(MeterState::Reading, $value, MeterState::Reading->words());
    }

    public static function none(MeterState $state, string $detail = ''): self
    {
        return new self($state, null, $state->words().($detail === '' ? '' : " ({$detail})"));
    }
}
