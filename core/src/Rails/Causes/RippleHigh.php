<?php

declare(strict_types=1);

namespace Ash\Rails\Causes;

use Ash\Quantity\Notation;
use Ash\Rails\Cause;
use Ash\Rails\CauseCode;
use Ash\Rails\CauseRule;
use Ash\Rails\RailsStanding;

/** Ripple out on a reading whose voltage is good: the filter is going, the regulator still covers for it. */
final readonly class RippleHigh implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $evidence = [];
        foreach ($standing->rails as $name => $rail) {
            $evidence[$name] = [];
            foreach ($standing->ripples($rail) as $judged) {
                if ($judged->rippleOut === true && $judged->good() && !$judged->reversed()) {
                    $evidence[$name][] = "{$judged->reading->place()}: ".Notation::plain((float) $judged->reading->rippleMvpp).' mVpp against '
                        .Notation::plain((float) $rail->rippleMaxMvpp).' mVpp, voltage still in';
                }
            }
        }

        return Cause::from(
            CauseCode::RippleHigh,
            $evidence,
            'The voltage holds but it is rough: the filter capacitor or rectifier is going, earlier than the voltage shows.',
        );
    }
}
