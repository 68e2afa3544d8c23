<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Quantity\Notation;

/** Life doubles for every 10 C below the rated temperature (aluminium makers' guides): L = L0 * 2^((T0 - T)/10). */
final readonly class Life
{
    /** Degrees Celsius inside a machine in use, unless the bench says another (common practice, no source). */
    public const BOARD_C = 45.0;

    private const HOURS_A_YEAR = 8766.0;

    /** Seals age too: no maker claims more. */
    private const MOST_YEARS = 15.0;

    public float $hours;
    public float $years;
    public float $yearsClaimed;

    /** @param float $ratedHours above 0; temperatures in C */
    public function __construct(float $ratedHours, float $ratedC, float $actualC)
    {
        $this->hours = $ratedHours * 2 ** (($ratedC - $actualC) / 10);
        $this->years = $this->hours / self::HOURS_A_YEAR;
        $this->yearsClaimed = min(self::MOST_YEARS, $this->years);
    }

    public function words(float $actualC): string
    {
        $bySum = $this->years > $this->yearsClaimed ? ' (by the sum '.Notation::plain($this->years, 3).'; seals age too)' : '';

        return Notation::plain($this->yearsClaimed, 3).' years at '.Notation::plain($actualC)." °C{$bySum}";
    }
}
