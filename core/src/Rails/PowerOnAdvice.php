<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Facts\PowerOn;
use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** Stop, hold or go, from the readings that count. */
final readonly class PowerOnAdvice
{
    /** @return array{PowerOn, list<string>} */
    public static function of(RailsStanding $standing): array
    {
        $stops = $holds = [];
        foreach ($standing->rails as $rail) {
            array_push($stops, ...self::damage($standing, $rail), ...self::bias($standing, $rail));
            array_push($holds, ...self::doubts($standing, $rail));
        }

        return match (true) {
            $stops !== [] => [PowerOn::Stop, $stops],
            $holds !== [] => [PowerOn::Hold, $holds],
            default => [PowerOn::Ok, ['every rail that must be measured is measured and within its band']],
        };
    }

    /** @return list<string> */
    private static function damage(RailsStanding $standing, Rail $rail): array
    {
        $reasons = [];
        foreach ($standing->volts($rail) as $judged) {
            $volts = Notation::print((float) $judged->reading->volts, Unit::Volt);
            if ($judged->reversed()) {
                $reasons[] = "{$judged->reading->place()}: {$volts} is the wrong way round";
            } elseif ($rail->loaded($judged->reading->load) && $judged->overVoltage()) {
                $reasons[] = "{$judged->reading->place()}: {$volts} is too high (limits {$rail->limits->words()})";
            } elseif (!$rail->loaded($judged->reading->load) && Compare::above($rail->ratio((float) $judged->reading->volts), 1.15)) {
                $reasons[] = "{$judged->reading->place()}: {$volts} is more than 115 % of nominal, beyond ordinary cross-regulation";
            }
        }
        foreach ($standing->shorted($rail) as $judged) {
            $reasons[] = "{$rail->name}: ".Notation::print((float) $judged->reading->ohmsToGround, Unit::Ohm, 3).' to ground is a short';
        }

        return $reasons;
    }

    /** @return list<string> */
    private static function bias(RailsStanding $standing, Rail $rail): array
    {
        $state = $standing->state($rail);
        if ($rail->protects === [] || ($state?->good() ?? false)) {
            return [];
        }
        $others = implode(' and ', $rail->protects);

        return [$state === null
            ? "{$rail->name} is not measured: without it {$others} can destroy the chips"
            : "{$rail->name} is {$state->words()}: without it {$others} can destroy the chips"];
    }

    /** @return list<string> */
    private static function doubts(RailsStanding $standing, Rail $rail): array
    {
        $reasons = [];
        $state = $standing->state($rail);
        if ($state === null && !$rail->optional) {
            $reasons[] = "{$rail->name} is not measured";
        } elseif ($state !== null && !$state->good()) {
            $reasons[] = "{$rail->name} is {$state->words()}";
        } elseif (!$rail->optional && !$standing->hasConclusive($rail)) {
            $reasons[] = "{$rail->name} has only readings that prove nothing (no load, or a meter unfit for the band)";
        }
        foreach ($standing->counted($rail) as $judged) {
            if ($judged->rippleOut === true) {
                $reasons[] = "{$judged->reading->place()}: ripple is out";
            }
        }

        return $reasons;
    }
}
