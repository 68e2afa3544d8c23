<?php

declare(strict_types=1);

namespace Ash\Rails\Causes;

use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Cause;
use Ash\Rails\CauseCode;
use Ash\Rails\CauseRule;
use Ash\Rails\Rail;
use Ash\Rails\RailsStanding;

/** Two rails of one kind and sign read each as the other (Exchanges). Look before anything else. */
final readonly class Exchanged implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $exchanged = $standing->exchanged();
        $evidence = array_map(static fn (Rail $rail): array => array_map(
            static fn (string $other): string => "{$rail->name} reads as {$other}: "
                .Notation::print((float) $standing->last($rail)?->reading->volts, Unit::Volt)." where {$rail->limits->words()} belong",
            $exchanged["\0{$rail->name}"] ?? [],
        ), $standing->rails);

        return Cause::from(
            CauseCode::Exchanged,
            $evidence,
            'Two rails have changed places: a plug the wrong way round, or the probes. Look before anything else, and keep the board off.',
        );
    }
}
