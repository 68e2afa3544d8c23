<?php

declare(strict_types=1);

namespace Ash\Corrosion;

use Ash\Document\Node;
use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** A trace or contact that a leak has touched, measured in ohms. Limits: common practice, no source. */
final readonly class Continuity
{
    private const EXTRA_OHM = 0.3;
    private const DROP_V = 0.05;
    private const OPEN_OHM = 5.0;

    /** @param list<string> $reasons */
    private function __construct(public ?float $netOhm, public float $expectedOhm, public string $verdict, public array $reasons)
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
            return new self(null, $expected, 'open', ['the meter shows open']);
        }
        $byDrop = $amps !== null && $amps > 0 ? self::DROP_V / $amps : INF;
        $limit = $expected + min(self::EXTRA_OHM, $byDrop);
        $net = max(0.0, $measuredOhm - $leadOhm);
        $verdict = match (true) {
            Compare::atMost($net, $limit) => 'sound',
            Compare::atMost($net, self::OPEN_OHM) => 'thin',
            default => 'open',
        };
        $said = Notation::print($net, Unit::Ohm, 3).' without the leads, sound up to '.Notation::print($limit, Unit::Ohm, 3);
        $why = $byDrop < self::EXTRA_OHM ? ['at '.Notation::print((float) $amps, Unit::Ampere, 3).' no more than 50 mV may be lost'] : [];

        return new self($net, $expected, $verdict, [$said, ...$why, ...($measuredOhm < $leadOhm ? ['less than the leads alone: zero them again'] : [])]);
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
