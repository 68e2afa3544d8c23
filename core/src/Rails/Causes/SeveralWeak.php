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

/** Two weak rails or more, not all off by the same share. */
final readonly class SeveralWeak implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $weak = $standing->weakRails();

        return count($weak) < 2 || AllScaled::holds($standing) ? null : Cause::from(
            CauseCode::SeveralWeak,
            array_map(static fn (Rail $rail): array => self::low($standing, $rail), $weak),
            'Several rails are weak: what they share. Mains selector, bulk capacitor, rectifier, transformer, or an overload on one that drags the others.',
        );
    }

    /** @return list<string> */
    public static function low(RailsStanding $standing, Rail $rail): array
    {
        return array_values(array_map(
            static fn (JudgedReading $it): string => "{$it->reading->place()}: ".Notation::print((float) $it->reading->volts, Unit::Volt)
                ." against {$rail->limits->words()}",
            array_filter($standing->making($rail), static fn (JudgedReading $it): bool => $it->low()),
        ));
    }
}
