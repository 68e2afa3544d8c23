<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Node;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

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

    /** Of a meter that nobody named: a hand-held one of 3 1/2 digits, +-(0.5 % of reading + 2 counts of 10 mV), the handbook's example. */
    public static function handHeld(): self
    {
        return new self(0.5, 2.0, 0.01);
    }

    public function words(): string
    {
        return Notation::plain($this->readingPct).' % + '.Notation::plain($this->counts).' counts of '.Notation::print($this->resolutionV, Unit::Volt);
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
