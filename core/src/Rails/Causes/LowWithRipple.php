<?php

declare(strict_types=1);

namespace Ash\Rails\Causes;

use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Cause;
use Ash\Rails\CauseCode;
use Ash\Rails\CauseRule;
use Ash\Rails\JudgedReading;
use Ash\Rails\RailsStanding;

/** Exactly one rail is weak, with ripple out on the same reading, among those that make its state. */
final readonly class LowWithRipple implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $weak = $standing->weakRails();
        if (count($weak) !== 1) {
            return null;
        }
        $rippled = array_filter(
            $standing->making(reset($weak)),
            static fn (JudgedReading $judged): bool => $judged->low() && $judged->rippleOut === true && !$judged->rippleSlip,
        );
        $evidence = array_map(
            static fn (JudgedReading $judged): string => "{$judged->reading->place()}: ".Notation::print((float) $judged->reading->volts, Unit::Volt)
                .' with '.Notation::plain((float) $judged->reading->rippleMvpp).' mVpp of ripple',
            array_values($rippled),
        );

        return Cause::from(
            CauseCode::LowWithRipple,
            [key($weak) => $evidence],
            'One rail is low and rough, the others hold: its filter capacitor or rectifier.',
        );
    }
}
