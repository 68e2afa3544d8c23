<?php

declare(strict_types=1);

namespace Ash\Rails\Causes;

use Ash\Rails\Cause;
use Ash\Rails\CauseCode;
use Ash\Rails\CauseRule;
use Ash\Rails\RailsStanding;

/** A rail that protects others is unmeasured, or its state is out or out_close. */
final readonly class BiasMissing implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $evidence = [];
        foreach ($standing->rails as $name => $rail) {
            $measured = $standing->state($rail) !== null;
            $state = $standing->forwardState($rail);
            $missing = $rail->protects !== [] && ($measured ? $state !== null && !$state->good() : true);
            $evidence[$name] = $missing
                ? ["{$rail->name} is ".($state?->words() ?? 'not measured').'; it protects '.implode(' and ', $rail->protects)]
                : [];
        }

        return Cause::from(
            CauseCode::BiasMissing,
            $evidence,
            'The bias rail is missing or weak. Power on the other rails without it destroys three-supply memory: keep the board off.',
        );
    }
}
