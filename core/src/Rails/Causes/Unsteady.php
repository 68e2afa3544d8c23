<?php

declare(strict_types=1);

namespace Ash\Rails\Causes;

use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Cause;
use Ash\Rails\CauseCode;
use Ash\Rails\CauseRule;
use Ash\Rails\JudgedReading;
use Ash\Rails\Rail;
use Ash\Rails\RailsStanding;

/** The same rail, point and load read good and then not, or the other way, further apart than the meters can be off, and nothing was changed between. */
final readonly class Unsteady implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $good = $bad = [];
        foreach ($standing->all as $judged) {
            if ($judged->verdict === null || $judged->voltsSlip || $judged->reversed()) {
                continue;
            }
            if ($judged->good()) {
                $good[$judged->reading->key()][] = $judged;
            } elseif ($judged->weak() || $judged->overVoltage()) {
                $bad[$judged->reading->key()][] = $judged;
            }
        }
        $evidence = array_map(static fn (Rail $rail): array => [], $standing->rails);
        foreach (array_intersect_key($good, $bad) as $key => $of) {
            $pair = self::apart(self::ends($of), self::ends($bad[$key]));
            if ($pair !== null) {
                $evidence["\0{$pair[0]->rail->name}"][] = "{$pair[0]->reading->place()}: read ".Notation::print((float) $pair[0]->reading->volts, Unit::Volt)
                    .' and '.Notation::print((float) $pair[1]->reading->volts, Unit::Volt);
            }
        }

        return Cause::from(
            CauseCode::Unsteady,
            $evidence,
            'It does not stay: a joint, a connector, a thermal cut-out, or a supply that tries to start over and over. Watch it, do not average it.',
        );
    }

    /**
     * The lowest and the highest: if any two are far enough apart, these are.
     *
     * @param non-empty-list<JudgedReading> $readings
     *
     * @return list<JudgedReading>
     */
    private static function ends(array $readings): array
    {
        usort($readings, static fn (JudgedReading $a, JudgedReading $b): int => $a->reading->volts <=> $b->reading->volts);

        return [$readings[0], $readings[count($readings) - 1]];
    }

    /**
     * @param list<JudgedReading> $good
     * @param list<JudgedReading> $bad
     *
     * @return array{JudgedReading, JudgedReading}|null
     */
    private static function apart(array $good, array $bad): ?array
    {
        foreach ($good as $one) {
            foreach ($bad as $other) {
                if (Compare::above(abs((float) $one->reading->volts - (float) $other->reading->volts), max((float) $one->guardV, (float) $other->guardV))) {
                    return [$one, $other];
                }
            }
        }

        return null;
    }
}
