<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Node;

/** Accuracy of a meter as its sheet states it: +-(reading_pct % of reading + counts x resolution). */
final readonly class MeterAccuracy
{
    private function __construct(public float $readingPct, public float $counts, public float $resolutionV)
    {
    }

    public static function of(float $readingPct, float $counts, float $resolutionV): self
    {
        return new self($readingPct, $counts, $resolutionV);
    }

    public static function read(Node $node): self
    {
        $node->only('reading_pct', 'counts', 'resolution_v');

        return new self(
            $node->at('reading_pct')->notNegative(),
            $node->at('counts')->notNegative(),
            $node->at('resolution_v')->notNegative(),
        );
    }

    /** Half width in volts of what the meter cannot tell apart at this reading. */
    public function guard(float $volts): float
    {
        return $this->readingPct / 100 * abs($volts) + $this->counts * $this->resolutionV;
    }
}
