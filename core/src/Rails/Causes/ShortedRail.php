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

/** Less than 2 ohms to ground, with or without a voltage (common practice, no source). */
final readonly class ShortedRail implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $evidence = array_map(static fn (Rail $rail): array => array_map(
            static fn (JudgedReading $it): string => "{$rail->name} at the {$it->reading->point->value}: "
                .Notation::print((float) $it->reading->netOhms(), Unit::Ohm, 3).' to ground',
            array_values(array_filter($standing->resistances($rail), static fn (JudgedReading $it): bool => $it->shorted())),
        ), $standing->rails);

        return Cause::from(
            CauseCode::ShortedRail,
            $evidence,
            'The rail is shorted to ground. Walk along it with a milliohm meter: the capacitor with the lowest reading is nearest to the short.',
        );
    }
}
