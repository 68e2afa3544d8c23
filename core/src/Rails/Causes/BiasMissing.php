<?php

declare(strict_types=1);

namespace Ash\Rails\Causes;

use Ash\Rails\Cause;
use Ash\Rails\CauseCode;
use Ash\Rails\CauseRule;
use Ash\Rails\Rail;
use Ash\Rails\RailsStanding;

/** A rail that protects others has no conclusive reading, or its state is out or out_close. */
final readonly class BiasMissing implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $evidence = [];
        foreach ($standing->rails as $name => $rail) {
            $why = self::missing($standing, $rail);
            $evidence[$name] = $why === null ? [] : ["{$rail->name} {$why}; it protects ".implode(' and ', $rail->protects)];
        }

        return Cause::from(
            CauseCode::BiasMissing,
            $evidence,
            'The bias rail is missing or weak. Power on the other rails without it destroys three-supply memory: keep the board off.',
        );
    }

    /** Why a rail that protects others cannot be counted on; null when it can, or protects none. */
    public static function missing(RailsStanding $standing, Rail $rail): ?string
    {
        $state = $standing->state($rail);

        return match (true) {
            $rail->protects === [] => null,
            $state === null => $standing->isMeasured($rail) ? 'has only figures that were asked back' : 'is not measured',
            !$state->good() => "is {$state->words()}",
            !$standing->hasConclusive($rail) => 'has only readings that prove nothing',
            default => null,
        };
    }
}
