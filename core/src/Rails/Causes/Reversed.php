<?php

declare(strict_types=1);

namespace Ash\Rails\Causes;

use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Cause;
use Ash\Rails\CauseCode;
use Ash\Rails\CauseRule;
use Ash\Rails\RailsStanding;

/** volts/nominal < -0.1. Such a reading gives this cause and no other. */
final readonly class Reversed implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $evidence = [];
        foreach ($standing->rails as $name => $rail) {
            $evidence[$name] = [];
            foreach ($standing->volts($rail) as $judged) {
                if ($judged->reversed()) {
                    $evidence[$name][] = "{$judged->reading->place()}: ".Notation::print((float) $judged->reading->volts, Unit::Volt)
                        .' where '.Notation::print($rail->nominalV, Unit::Volt).' belongs';
                }
            }
        }

        return Cause::from(
            CauseCode::Reversed,
            $evidence,
            'The polarity is wrong: first the probes (red on ground is the usual reason), then a plug or a part the wrong way round. Do not connect the board.',
        );
    }
}
