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

/**
 * Same load, good at an earlier point and weaker at a later one by more than the larger of 50 mV and 1 % of
 * nominal, while still above 10 %. With a current the lost voltage is a resistance (R = U/I) and a heat (P = U*I).
 */
final readonly class DropInPath implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $evidence = [];
        $figures = [];
        foreach ($standing->rails as $name => $rail) {
            $evidence[$name] = [];
            foreach ($standing->pairs($rail) as [$early, $late]) {
                $drop = self::drop($rail, $early, $late);
                if ($drop !== null) {
                    $loss = self::loss($drop, $late->reading->amps ?? $early->reading->amps);
                    $evidence[$name][] = "{$rail->name}, {$early->reading->load->words()}: "
                        .Notation::print($drop, Unit::Volt, 3)." lost between {$early->reading->point->value} and {$late->reading->point->value}{$loss}";
                    $figures[] = $loss === '' ? '' : "{$rail->name}{$loss}.";
                }
            }
        }
        $text = trim('Voltage is lost on the way: a connector, a fuse holder, a switch or a thin trace. '.implode(' ', array_unique($figures)));

        return Cause::from(CauseCode::DropInPath, $evidence, $text);
    }

    public static function holds(RailsStanding $standing, Rail $rail): bool
    {
        return array_filter($standing->pairs($rail), static fn (array $pair): bool => self::drop($rail, ...$pair) !== null) !== [];
    }

    private static function drop(Rail $rail, JudgedReading $early, JudgedReading $late): ?float
    {
        $along = $early->reading->load === $late->reading->load && $early->reading->point->rank() < $late->reading->point->rank();
        if (!$along || !$early->good() || $late->absent()) {
            return null;
        }
        $drop = $rail->magnitude((float) $early->reading->volts) - $rail->magnitude((float) $late->reading->volts);

        return Compare::above($drop, max(0.05, 0.01 * abs($rail->nominalV))) ? $drop : null;
    }

    private static function loss(float $drop, ?float $amps): string
    {
        if ($amps === null || $amps <= 0.0) {
            return '';
        }

        return ', '.Notation::plain($drop / $amps * 1000, 3).' mΩ in the path and '.Notation::plain($drop * $amps, 3).' W of heat at '
            .Notation::print($amps, Unit::Ampere, 3);
    }
}
