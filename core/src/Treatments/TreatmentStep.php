<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** One thing to do, or to wait for. */
final readonly class TreatmentStep
{
    /**
     * @param float $minutes by the clock; 0 for a moment's work
     * @param bool  $hands   a person stays all those minutes; false: it runs alone
     */
    private function __construct(public string $do, public float $minutes, public bool $hands, public ?string $caution)
    {
    }

    public static function work(string $do, float $minutes, ?string $caution = null): self
    {
        return new self($do, $minutes, true, $caution);
    }

    public static function wait(string $do, float $minutes, ?string $caution = null): self
    {
        return new self($do, $minutes, false, $caution);
    }
}
