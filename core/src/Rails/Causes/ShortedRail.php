<?php

declare(strict_types=1);

namespace Ash\Rails\Causes;

use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Cause;
use Ash\Rails\CauseCode;
use Ash\Rails\CauseRule;
use Ash\Rails\RailsStanding;

/** Less than 2 ohms to ground, with or without a voltage (common practice, no source). */
final readonly class ShortedRail implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $evidence = array_map(static fn (): array => [], $standing->rails);
        foreach ($standing->shorted() as $judged) {
            $evidence["\0{$judged->rail->name}"][] = "{$judged->rail->name}: "
                .Notation::print((float) $judged->reading->ohmsToGround, Unit::Ohm, 3).' to ground';
        }

        return Cause::from(
            CauseCode::ShortedRail,
            $evidence,
            'The rail is shorted to ground. Walk along it with a milliohm meter: the capacitor with the lowest reading is nearest to the short.',
        );
    }
}
