<?php

declare(strict_types=1);

namespace Ash\Rails\Causes;

use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Rails\Cause;
use Ash\Rails\CauseCode;
use Ash\Rails\CauseRule;
use Ash\Rails\RailsStanding;

/** Three rails or more, all off by the same share: highest minus lowest ratio at most 0.015, mean outside 0.97 to 1.03. */
final readonly class AllScaled implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        [$holds, $evidence] = self::seen($standing);

        return $holds ? Cause::from(CauseCode::AllScaled, $evidence, 'All rails are off by the same share: reference, feedback or mains selector.') : null;
    }

    public static function holds(RailsStanding $standing): bool
    {
        return self::seen($standing)[0];
    }

    /** @return array{bool, array<string, list<string>>} */
    private static function seen(RailsStanding $standing): array
    {
        $ratios = $evidence = [];
        foreach ($standing->rails as $name => $rail) {
            $last = $standing->last($rail);
            if ($last !== null && !$last->reversed()) {
                $ratios[] = $ratio = abs($rail->ratio((float) $last->reading->volts));
                $evidence[$name] = ["{$rail->name}: ".Notation::plain($ratio * 100).' % of nominal'];
            }
        }
        if (count($ratios) < 3 || $standing->exchanged() !== [] || AllAbsent::holds($standing)) {
            return [false, []];
        }
        $mean = array_sum($ratios) / count($ratios);
        $together = Compare::atMost(max($ratios) - min($ratios), 0.015);
        $off = Compare::below($mean, 0.97) || Compare::above($mean, 1.03);

        return [$together && $off, $evidence];
    }
}
