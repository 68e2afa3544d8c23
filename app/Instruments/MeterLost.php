<?php

declare(strict_types=1);

namespace App\Instruments;

/** The conversation with a meter came to an end before its answer. */
final class MeterLost extends \RuntimeException
{
    private function __construct(public readonly MeterState $state)
    {
        parent::__construct($state->words());
    }

    public static function because(MeterState $state): self
    {
        return new self($state);
    }
}
