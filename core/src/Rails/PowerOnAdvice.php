<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Facts\PowerOn;
use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Causes\BiasMissing;

/** Stop, hold or go, from the readings that count. */
final readonly class PowerOnAdvice
{
    /** Of nominal, without load: up to this a rise is ordinary cross-regulation (common practice, no source). */
    private const CROSS_REGULATION = 1.15;

    /**
     * @param list<Cause> $causes
     *
     * @return array{PowerOn, list<string>}
     */
    public static function of(RailsStanding $standing, array $causes): array
    {
        $stops = $holds = [];
        foreach ($standing->rails as $rail) {
            array_push($stops, ...self::damage($standing, $rail), ...self::bias($standing, $rail));
            array_push($holds, ...self::doubts($standing, $rail));
        }

        foreach ($causes as $cause) {
            if ($cause->code === CauseCode::Unsteady || $cause->code === CauseCode::LowResistance) {
                array_push($holds, ...$cause->evidence);
            }
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
        foreach ($standing->overVoltages($rail) as $judged) {
            if ($rail->loaded($judged->reading->load)) {
                $reasons[] = "{$judged->reading->place()}: ".self::volts($judged)." is too high (limits {$rail->limits->words()})";
            } elseif (Compare::above($rail->ratio((float) $judged->reading->volts), self::CROSS_REGULATION)) {
                $reasons[] = "{$judged->reading->place()}: ".self::volts($judged).' is more than 115 % of nominal, beyond ordinary cross-regulation';
            }
        }
        foreach ($standing->volts($rail) as $judged) {
            if ($judged->reversed()) {
                $reasons[] = "{$judged->reading->place()}: ".self::volts($judged).' is the wrong way round';
            }
        }
        foreach ($standing->resistances($rail) as $judged) {
            if ($judged->shorted()) {
                $reasons[] = "{$rail->name}: ".Notation::print((float) $judged->reading->netOhms(), Unit::Ohm, 3).' to ground is a short';
            }
        }
        if ($standing->isExchanged($rail)) {
            $reasons[] = "{$rail->name} reads as ".implode(' and ', $standing->exchanged()["\0{$rail->name}"]).': a plug the wrong way round, or the probes';
        }

        return $reasons;
    }

    private static function volts(JudgedReading $judged): string
    {
        return Notation::print((float) $judged->reading->volts, Unit::Volt);
    }

    /** @return list<string> */
    private static function bias(RailsStanding $standing, Rail $rail): array
    {
        $why = BiasMissing::missing($standing, $rail);

        return $why === null ? [] : ["{$rail->name} {$why}: without it ".implode(' and ', $rail->protects).' can destroy the chips'];
    }

    /** @return list<string> */
    private static function doubts(RailsStanding $standing, Rail $rail): array
    {
        $reasons = [];
        $state = $standing->state($rail);
        if ($state !== null && !$state->good()) {
            $reasons[] = "{$rail->name} is {$state->words()}";
        } elseif (!$rail->optional && !$standing->isMeasured($rail)) {
            $reasons[] = "{$rail->name} is not measured";
        } elseif (!$rail->optional && !$standing->hasConclusive($rail)) {
            $reasons[] = "{$rail->name} has only readings that prove nothing (no load, a meter unfit for the band, or a figure that was asked back)";
        }
        foreach ($standing->ripples($rail) as $judged) {
            if ($judged->rippleOut === true) {
                $reasons[] = "{$judged->reading->place()}: ripple is out";
            }
        }
        foreach ($standing->slips($rail) as $judged) {
            $reasons[] = "{$judged->reading->place()}: a figure was asked back and not read again";
        }

        return $reasons;
    }
}
