<?php

declare(strict_types=1);

namespace Ash\Corrosion;

use Ash\Document\Node;
use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** The thinnest even gauge that may replace an eaten trace, and what the trace itself could carry. */
final readonly class Wire
{
    /** Even gauges on the shelf, thinnest first. */
    private const GAUGES = [30, 28, 26, 24, 22, 20, 18];

    /** A per square millimetre: a short single wire in air (common practice, no source; 4 is for windings). */
    private const DENSITY = 10.0;

    /** Amperes of a signal, when nothing is said (common practice, no source). */
    private const SIGNAL_A = 0.02;

    /** Length of a repair wire when the trace's is not known, in millimetres (common practice, no source). */
    private const REPAIR_MM = 50.0;

    /** Volts that a repair may lose, unless another limit is given. */
    private const MAX_DROP_V = 0.05;

    /** Kelvin that a trace may warm by, unless another limit is given. */
    private const RISE_C = 10.0;

    /** @param list<string> $reasons */
    private function __construct(public ?int $awg, public ?float $ohm, public ?float $dropV, public ?float $traceCapacityA, public array $reasons)
    {
    }

    /** Diameter of American Wire Gauge n in millimetres: 0.127*92^((36-n)/39) (ASTM B258). */
    public static function diameterMm(int $awg): float
    {
        return 0.127 * 92 ** ((36 - $awg) / 39);
    }

    public static function areaMm2(int $awg): float
    {
        return M_PI / 4 * self::diameterMm($awg) ** 2;
    }

    public static function ohms(int $awg, float $lengthMm): float
    {
        return Trace::RHO * $lengthMm * 1e-3 / (self::areaMm2($awg) * 1e-6);
    }

    public static function choose(float $amps, float $lengthMm, float $maxDropV = self::MAX_DROP_V, ?float $traceCapacityA = null): self
    {
        $trace = $traceCapacityA === null
            ? []
            : ['the trace could carry '.Notation::print($traceCapacityA, Unit::Ampere, 3).($amps > $traceCapacityA ? ', less than it is asked to' : '')];
        foreach (self::GAUGES as $awg) {
            $ohm = self::ohms($awg, $lengthMm);
            if (Compare::atMost($ohm * $amps, $maxDropV) && Compare::atMost($amps / self::areaMm2($awg), self::DENSITY)) {
                $said = "AWG {$awg}, ".Notation::plain(self::diameterMm($awg), 3).' mm: loses '
                    .Notation::print($ohm * $amps, Unit::Volt, 3).' over '
                    .Notation::plain($lengthMm).' mm at '.Notation::plain($amps / self::areaMm2($awg), 3).' A/mm²';

                return new self($awg, $ohm, $ohm * $amps, $traceCapacityA, [$said, ...$trace]);
            }
        }

        return new self(null, null, null, $traceCapacityA, ['no gauge from 30 to 18 does: two wires side by side, or a shorter way', ...$trace]);
    }

    /** For an outer trace that is thin or gone, with what is known of it and of its current in amperes. */
    public static function inPlaceOf(?Trace $trace, ?float $amps): self
    {
        $capacity = $trace === null ? null : Trace::capacity($trace->widthMm, $trace->copperOz, true, self::RISE_C);

        return self::choose($amps === null || $amps <= 0 ? self::SIGNAL_A : $amps, $trace->lengthMm ?? self::REPAIR_MM, self::MAX_DROP_V, $capacity);
    }

    public static function read(Node $node): self
    {
        $node->only('amps', 'length_mm', 'max_drop_v', 'max_rise_c', 'trace');
        $rise = $node->optional('max_rise_c')?->positive() ?? self::RISE_C;
        $trace = $node->optional('trace')?->only('width_mm', 'copper_oz', 'layer');

        return self::choose(
            $node->at('amps')->notNegative(),
            $node->at('length_mm')->positive(),
            $node->optional('max_drop_v')?->positive() ?? self::MAX_DROP_V,
            $trace === null
                ? null
                : Trace::capacity(
                    $trace->at('width_mm')->positive(),
                    $trace->at('copper_oz')->positive(),
                    $trace->at('layer')->enum(Layer::class) === Layer::Outer,
                    $rise,
                ),
        );
    }
}
