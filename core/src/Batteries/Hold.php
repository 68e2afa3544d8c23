<?php

declare(strict_types=1);

namespace Ash\Batteries;

use Ash\Document\Node;

/** How long a capacitor carries a board's standby current: t = C*(V0-Vmin)/I. */
final readonly class Hold
{
    /** @param float $amps above 0 */
    public static function seconds(float $farads, float $startV, float $minV, float $amps): float
    {
        return max(0.0, $farads * ($startV - $minV) / $amps);
    }

    public static function read(Node $node): float
    {
        $node->only('capacitance_f', 'start_v', 'min_v', 'standby_a', 'leakage_a');

        return self::seconds(
            $node->at('capacitance_f')->positive(),
            $node->at('start_v')->notNegative(),
            $node->at('min_v')->notNegative(),
            $node->at('standby_a')->positive() + ($node->optional('leakage_a')?->notNegative() ?? 0.0),
        );
    }
}
