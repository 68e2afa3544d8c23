<?php

declare(strict_types=1);

namespace Ash\Rails\Causes;

use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Cause;
use Ash\Rails\CauseCode;
use Ash\Rails\CauseRule;
use Ash\Rails\Rail;
use Ash\Rails\RailsStanding;

/** Same load, good at one point, below 10 % at a later one. */
final readonly class OpenPath implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $evidence = array_map(static fn (Rail $rail): array => self::seen($standing, $rail), $standing->rails);

        return Cause::from(
            CauseCode::OpenPath,
            $evidence,
            'The rail leaves the supply and does not arrive: a fuse, a connector or a trace. Walk the path to find between which two points it is lost.',
        );
    }

    /** @return list<string> */
    public static function seen(RailsStanding $standing, Rail $rail): array
    {
        $seen = [];
        foreach ($standing->pairs($rail) as [$early, $late]) {
            $along = $early->reading->load === $late->reading->load && $early->reading->point->rank() < $late->reading->point->rank();
            if ($along && $early->good() && $late->absent()) {
                $seen[] = "{$rail->name}, {$early->reading->load->words()}: "
                    .Notation::print((float) $early->reading->volts, Unit::Volt)." at the {$early->reading->point->value}, "
                    .Notation::print((float) $late->reading->volts, Unit::Volt)." at the {$late->reading->point->value}";
            }
        }

        return $seen;
    }
}
