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

/** The same rail at the same point is good at a lower load and weak at a higher one. */
final readonly class SagsUnderLoad implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $evidence = array_map(static fn (Rail $rail): array => self::seen($standing, $rail), $standing->rails);

        return Cause::from(
            CauseCode::SagsUnderLoad,
            $evidence,
            'The rail gives way under load: a regulator or pass transistor, a dried filter capacitor, a joint, or a load that draws too much.',
        );
    }

    /** @return list<string> */
    public static function seen(RailsStanding $standing, Rail $rail): array
    {
        $seen = [];
        foreach ($standing->pairs($rail) as [$light, $heavy]) {
            $samePoint = $light->reading->point === $heavy->reading->point;
            if ($samePoint && $light->reading->load->rank() < $heavy->reading->load->rank() && $light->good() && $heavy->weak()) {
                $seen[] = "{$rail->name} at the {$light->reading->point->value}: "
                    .Notation::print((float) $light->reading->volts, Unit::Volt)." with {$light->reading->load->words()}, "
                    .Notation::print((float) $heavy->reading->volts, Unit::Volt)." with {$heavy->reading->load->words()}";
            }
        }

        return $seen;
    }
}
