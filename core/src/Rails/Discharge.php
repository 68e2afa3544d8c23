<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Node;
use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/**
 * Discharging a capacitor through a resistor: t = R*C*ln(V0/Vsafe), E = C*V0^2/2, P = V0^2/R, I = V0/R.
 * 60 V DC is the usual touch limit (IEC 62368-1, ES1).
 */
final readonly class Discharge
{
    public const SAFE_V = 60.0;

    /** Amperes at the first moment: above the first a contact welds, above the second it wants care (common practice, no source). */
    private const MOST_A = 5.0;
    private const CARE_A = 1.0;

    /** Volts above which it is dangerous work anyway, and above which ordinary resistors are at their own limit (common practice, no source). */
    private const HIGH_V = 1000.0;
    private const UNRATED_V = 250.0;

    /** @param list<string> $reasons */
    private function __construct(
        public float $timeConstantS,
        public float $timeToSafeS,
        public float $energyJ,
        public float $peakPowerW,
        public float $peakCurrentA,
        public DischargeVerdict $verdict,
        public array $reasons,
    ) {
    }

    /**
     * @param float  $capacitanceF above 0, $startV 0 or more, $resistorOhm above 0, $safeV above 0
     * @param ?float $resistorV    rated voltage of the resistor; null when it is not known
     */
    public static function of(float $capacitanceF, float $startV, float $resistorOhm, float $safeV = self::SAFE_V, ?float $resistorV = null): self
    {
        $tau = $resistorOhm * $capacitanceF;
        $time = $startV <= $safeV ? 0.0 : $tau * log($startV / $safeV);
        $energy = $capacitanceF * $startV ** 2 / 2;
        $power = $startV ** 2 / $resistorOhm;
        $start = Notation::print($startV, Unit::Volt, 4);
        $safe = Notation::print($safeV, Unit::Volt, 4);

        [$verdict, $why] = self::verdict($startV, $startV / $resistorOhm, $resistorV);

        return new self(
            timeConstantS: $tau, timeToSafeS: $time, energyJ: $energy, peakPowerW: $power, peakCurrentA: $startV / $resistorOhm, verdict: $verdict,
            reasons: [
                ...$why,
                $time === 0.0
                    ? "{$start} is already at or below {$safe}"
                    : "from {$start} to {$safe} takes ".Notation::print($time, Unit::Second, 3),
                'the resistor must stand '.Notation::print($power, Unit::Watt, 3).' at first and '.Notation::print($energy, Unit::Joule, 3).' in all',
                'measure after discharging: some capacitors recover charge',
                'line and picture-tube work is for people trained for it; local electrical codes come first',
            ],
        );
    }

    /** @return array{DischargeVerdict, list<string>} */
    private static function verdict(float $startV, float $amps, ?float $resistorV): array
    {
        $start = Notation::print($startV, Unit::Volt, 4);
        $peak = Notation::print($amps, Unit::Ampere, 3);
        $no = array_keys(array_filter([
            "{$peak} at the first moment is above 5 A: take a larger resistor" => Compare::above($amps, self::MOST_A),
            "{$start} is above what the resistor is rated for, ".Notation::print($resistorV ?? 0.0, Unit::Volt, 4)
                .': it can arc over or fail open' => $resistorV !== null && Compare::above($startV, $resistorV),
        ]));
        $care = array_keys(array_filter([
            "{$start} is high voltage: distance, insulation, one hand" => Compare::above($startV, self::HIGH_V),
            "{$peak} at the first moment makes a spark" => Compare::above($amps, self::CARE_A),
            "at {$start} the resistor's own voltage rating counts: ordinary ones stand 250 V" => $resistorV === null
                && Compare::above($startV, self::UNRATED_V),
        ]));

        return match (true) {
            $no !== [] => [DischargeVerdict::No, $no],
            $care !== [] => [DischargeVerdict::Care, $care],
            default => [DischargeVerdict::Ok, []],
        };
    }

    public static function read(Node $node): self
    {
        $node->only('capacitance_f', 'start_v', 'resistor_ohm', 'safe_v', 'resistor_v');

        return self::of(
            $node->at('capacitance_f')->positive(),
            $node->at('start_v')->notNegative(),
            $node->at('resistor_ohm')->positive(),
            $node->optional('safe_v')?->positive() ?? self::SAFE_V,
            $node->optional('resistor_v')?->positive(),
        );
    }
}
