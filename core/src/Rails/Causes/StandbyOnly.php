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

/** Every measured standby rail is good at its latest reading, and every other measured rail is dead: the supply was never told to start, or does not. */
final readonly class StandbyOnly implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        if (!self::holds($standing)) {
            return null;
        }
        $evidence = array_map(static fn (Rail $rail): array => $standing->dead($rail) && !$rail->standby ? ["{$rail->name} is dead"] : [], $standing->rails);
        foreach ($standing->measured() as $rail) {
            if ($rail->standby) {
                $first = array_key_first(array_filter($evidence, static fn (array $it): bool => $it !== []));
                $evidence[$first][] = "{$rail->name} is there: ".Notation::print((float) $standing->last($rail)?->reading->volts, Unit::Volt);
            }
        }

        return Cause::from(
            CauseCode::StandbyOnly,
            $evidence,
            'Only the standby is there: the start signal and its switch, a protection that has tripped, the main converter, or what loads the outputs.',
        );
    }

    public static function holds(RailsStanding $standing): bool
    {
        $standby = $others = 0;
        foreach ($standing->measured() as $rail) {
            if ($rail->standby ? !($standing->last($rail)?->good() ?? false) : !$standing->dead($rail)) {
                return false;
            }
            $rail->standby ? ++$standby : ++$others;
        }

        return $standby > 0 && $others > 0;
    }
}
