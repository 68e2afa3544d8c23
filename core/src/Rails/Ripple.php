<?php

declare(strict_types=1);

namespace Ash\Rails;

/** Ripple from a meter that only reads AC volts RMS. */
final readonly class Ripple
{
    /**
     * Peak to peak of a sawtooth of that RMS value, U_pp = 2*sqrt(3)*U_rms: a rectified supply's ripple is near to
     * a sawtooth. A scope shows the truth; the record says that this was computed.
     *
     * @return float mVpp
     */
    public static function fromRms(float $rmsVolts): float
    {
        return 2 * sqrt(3) * abs($rmsVolts) * 1000;
    }
}
