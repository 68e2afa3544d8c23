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

/** A rail is dead while another is not. Not when all are, not when only the standby is there, not where its path is open. */
final readonly class DeadOutput implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $alive = array_filter($standing->measured(), static fn (Rail $rail): bool => !$standing->dead($rail));
        if ($alive === [] || StandbyOnly::holds($standing) || AllAbsent::holds($standing)) {
            return null;
        }
        $evidence = array_map(static fn (Rail $rail): array => !$standing->dead($rail) || OpenPath::seen($standing, $rail) !== [] ? [] : array_map(
            static fn (JudgedReading $it): string => "{$it->reading->place()}: ".Notation::print((float) $it->reading->volts, Unit::Volt),
            $standing->forward($rail),
        ), $standing->rails);

        return Cause::from(
            CauseCode::DeadOutput,
            $evidence,
            'This output is dead and others are not: its fuse, regulator, rectifier or winding, or a short on it. Measure its resistance to ground, power off.',
        );
    }
}
