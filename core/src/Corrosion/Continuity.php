<?php

declare(strict_types=1);

namespace Ash\Corrosion;

use Ash\Document\Node;
use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Strip;
use Ash\Quantity\Unit;

/** A trace or contact that a leak has touched, measured in ohms. Limits: common practice, no source. */
final readonly class Continuity
{
    private const EXTRA_OHM = 0.3;
    private const DROP_V = 0.05;
    private const OPEN_OHM = 5.0;

    /** Share of the strip that lies below "open". */
    private const DRAWN = 0.9;

    /** @param list<string> $reasons */
    private function __construct(public ?float $netOhm, public float $expectedOhm, public TraceVerdict $verdict, public array $reasons)
    {
    }

    /**
     * @param ?float $measuredOhm null: the meter shows open
     * @param float  $leadOhm     of the leads, measured with the probes together
     * @param ?float $amps        what the trace carries; null or 0 when unknown
     */
    public static function judge(?float $measuredOhm, float $leadOhm, ?float $amps = null, ?Trace $trace = null): self
    {
        $expected = $trace?->ohms() ?? 0.0;
        if ($measuredOhm === null) {
            return new self(null, $expected, TraceVerdict::Open, ['the meter shows open']);
        }
        $byDrop = self::byDrop($amps);
        $limit = self::soundUpTo($amps, $trace);
        $net = max(0.0, $measuredOhm - $leadOhm);
        $verdict = match (true) {
            Compare::atMost($net, $limit) => TraceVerdict::Sound,
            Compare::atMost($net, self::OPEN_OHM) => TraceVerdict::Thin,
            default => TraceVerdict::Open,
        };
        $said = Notation::print($net, Unit::Ohm, 3).' without the leads, sound up to '.Notation::print($limit, Unit::Ohm, 3);
        $why = $byDrop < self::EXTRA_OHM ? ['at '.Notation::print((float) $amps, Unit::Ampere, 3).' no more than 50 mV may be lost'] : [];

        return new self($net, $expected, $verdict, [$said, ...$why, ...($measuredOhm < $leadOhm ? ['less than the leads alone: zero them again'] : [])]);
    }

    /** Ohms, without the leads, up to which a trace is sound. */
    public static function soundUpTo(?float $amps, ?Trace $trace): float
    {
        return ($trace?->ohms() ?? 0.0) + min(self::EXTRA_OHM, self::byDrop($amps));
    }

    /**
     * Ohms from nothing on, closer together the more there are of them: sound is the band at the left, and what counts as open stands at
     * the edge.
     *
     * @param ?float $netOhm without the leads; INF for open, null while nothing was read
     */
    public static function strip(?float $netOhm, ?float $amps, ?Trace $trace): Strip
    {
        $share = static fn (float $ohms): float => min(1.0, sqrt(max(0.0, $ohms) / self::OPEN_OHM) * self::DRAWN);

        return new Strip(
            low: 0.0,
            high: $share(self::soundUpTo($amps, $trace)),
            guard: 0.0,
            nominal: $share($trace?->ohms() ?? 0.0),
            tick: $netOhm === null ? null : $share($netOhm),
            beyond: $netOhm !== null && Compare::above($netOhm, self::OPEN_OHM),
        );
    }

    /** Ohms at which the current that flows loses what may be lost. */
    private static function byDrop(?float $amps): float
    {
        return $amps !== null && $amps > 0 ? self::DROP_V / $amps : INF;
    }

    public static function read(Node $node): self
    {
        $node->only('measured_ohm', 'lead_ohm', 'amps', 'trace');
        $measured = $node->at('measured_ohm');
        $trace = $node->optional('trace');

        return self::judge(
            $measured->isNull() ? null : $measured->notNegative(),
            $node->at('lead_ohm')->notNegative(),
            $node->optional('amps')?->notNegative(),
            $trace === null ? null : Trace::read($trace),
        );
    }
}
