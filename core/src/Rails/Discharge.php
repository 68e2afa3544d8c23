<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Node;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/**
 * Discharging a capacitor through a resistor: t = R*C*ln(V0/Vsafe), E = C*V0^2/2, P = V0^2/R, I = V0/R.
 * 60 V DC is the usual touch limit (IEC 62368-1, ES1).
 */
final readonly class Discharge
{
    public const SAFE_V = 60.0;

    /** @param list<string> $reasons */
    private function __construct(
        public float $timeConstantS,
        public float $timeToSafeS,
        public float $energyJ,
        public float $peakPowerW,
        public float $peakCurrentA,
        public array $reasons,
    ) {
    }

    /** @param float $capacitanceF above 0, $startV 0 or more, $resistorOhm above 0, $safeV above 0 */
    public static function of(float $capacitanceF, float $startV, float $resistorOhm, float $safeV = self::SAFE_V): self
    {
        $tau = $resistorOhm * $capacitanceF;
        $time = $startV <= $safeV ? 0.0 : $tau * log($startV / $safeV);
        $energy = $capacitanceF * $startV ** 2 / 2;
        $power = $startV ** 2 / $resistorOhm;
        $start = Notation::print($startV, Unit::Volt, 4);
        $safe = Notation::print($safeV, Unit::Volt, 4);

        return new self($tau, $time, $energy, $power, $startV / $resistorOhm, [
            $time === 0.0
                ? "{$start} is already at or below {$safe}"
                : "from {$start} to {$safe} takes ".Notation::print($time, Unit::Second, 3),
            'the resistor must stand '.Notation::print($power, Unit::Watt, 3).' at first and '.Notation::print($energy, Unit::Joule, 3).' in all',
            'measure after discharging: some capacitors recover charge',
            'line and picture-tube work is for people trained for it; local electrical codes come first',
        ]);
    }

    public static function read(Node $node): self
    {
        $node->only('capacitance_f', 'start_v', 'resistor_ohm', 'safe_v');

        return self::of(
            $node->at('capacitance_f')->positive(),
            $node->at('start_v')->notNegative(),
            $node->at('resistor_ohm')->positive(),
            $node->optional('safe_v')?->positive() ?? self::SAFE_V,
        );
    }
}
