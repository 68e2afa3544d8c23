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

/** Ohms to ground, without the leads, 2 or more and below 0.3 of a good board's (common practice, no source). */
final readonly class LowResistance implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $evidence = array_map(static fn (Rail $rail): array => array_map(
            static fn (JudgedReading $it): string => "{$rail->name} at the {$it->reading->point->value}: "
                .Notation::print((float) $it->reading->netOhms(), Unit::Ohm, 3).' to ground where a good one has '
                .Notation::print((float) $rail->ohmsGood, Unit::Ohm, 3),
            array_values(array_filter($standing->resistances($rail), static fn (JudgedReading $it): bool => $it->lowResistance())),
        ), $standing->rails);

        return Cause::from(
            CauseCode::LowResistance,
            $evidence,
            'The resistance to ground is low, not yet a short: compare with a good board, take out what can be taken out, and measure again.',
        );
    }
}
