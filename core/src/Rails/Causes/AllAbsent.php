<?php

declare(strict_types=1);

namespace Ash\Rails\Causes;

use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Cause;
use Ash\Rails\CauseCode;
use Ash\Rails\CauseRule;
use Ash\Rails\JudgedReading;
use Ash\Rails\Rail;
use Ash\Rails\RailsStanding;

/** Two measured rails or more, every latest reading below 10 % of nominal; not when only the standby is there. */
final readonly class AllAbsent implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        return self::holds($standing) && !StandbyOnly::holds($standing)
            ? Cause::from(CauseCode::AllAbsent, array_map(
                static fn (Rail $rail): array => array_map(
                    static fn (JudgedReading $judged): string => "{$judged->reading->place()}: ".Notation::print((float) $judged->reading->volts, Unit::Volt),
                    $standing->volts($rail),
                ),
                $standing->rails,
            ), 'No output at all: mains, fuse, switch, standby circuit, or a protection that has tripped.')
            : null;
    }

    public static function holds(RailsStanding $standing): bool
    {
        $measured = $standing->measured();
        foreach ($measured as $rail) {
            $volts = $standing->volts($rail);
            if ($volts === [] || array_filter($volts, static fn (JudgedReading $it): bool => !$it->absent()) !== []) {
                return false;
            }
        }

        return count($measured) >= 2;
    }
}
