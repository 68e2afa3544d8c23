<?php

declare(strict_types=1);

namespace Ash\Batteries;

use Ash\Quantity\Strip;

/** An option's volts from fresh to its end on a strip whose middle is what the board wants; what lies beyond is drawn at its edge. */
final readonly class VoltSpan
{
    private const MARGIN = 0.2;

    /**
     * @param float $low   where the board's limits begin, as a share of the strip
     * @param float $high  where they end
     * @param float $end   of the option at its end
     * @param float $fresh of the option when it is fresh
     */
    private function __construct(public float $low, public float $high, public float $end, public float $fresh)
    {
    }

    public static function of(Suitability $it, BoardNeeds $board): ?self
    {
        if ($it->freshV === null || $it->endV === null) {
            return null;
        }
        $share = static fn (float $volts): float => Strip::clamp(
            self::MARGIN + ($volts - $board->minV) / ($board->maxV - $board->minV) * (1 - 2 * self::MARGIN),
        );

        return new self(self::MARGIN, 1 - self::MARGIN, $share($it->endV), $share($it->freshV));
    }
}
