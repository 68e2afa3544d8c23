<?php

declare(strict_types=1);

namespace Ash\Isolation;

/** How runs turn out. */
final readonly class Shows
{
    public const USUAL = 0.95;

    /** Where a fault has come and gone. */
    public const NOW_AND_THEN = 0.7;
    public const MISTAKE = 0.02;

    /**
     * @param float $shows   chance that a bad part shows, above 0 and at most 1
     * @param float $mistake chance that a run fails for another reason: a bad seat, a wrong jumper; above 0 and below 1
     */
    public function __construct(public float $shows, public float $mistake)
    {
    }

    /** With so many bad members fitted. */
    public function fails(int $bad): float
    {
        return $this->mistake + (1 - $this->mistake) * (1 - (1 - $this->shows) ** $bad);
    }

    public function outcome(bool $works, int $bad): float
    {
        return $works ? 1 - $this->fails($bad) : $this->fails($bad);
    }
}
