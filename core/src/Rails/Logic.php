<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Node;
use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** A logic level from a DC reading, or what a DC meter shows of a square wave: its average. */
final readonly class Logic
{
    /**
     * @param array{low_max: float, high_min: float} $thresholdsV
     * @param list<string>                           $reasons
     */
    private function __construct(public float $volts, public string $level, public array $thresholdsV, public array $reasons)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('family', 'supply_v', 'volts', 'square')->exclusive('volts', 'square');
        $thresholds = $node->at('family')->enum(LogicFamily::class)->thresholds($node->at('supply_v')->positive());
        $square = $node->optional('square');
        if ($square === null) {
            return self::steady($node->at('volts')->number(), $thresholds);
        }
        $square->only('low_v', 'high_v', 'duty');
        $low = $square->at('low_v')->number();
        $high = $square->at('high_v')->number();
        if ($low >= $high) {
            $square->refuse('low_v must be below high_v');
        }

        return self::square($low, $high, $square->at('duty')->between(0, 1), $thresholds);
    }

    /** @param array{low_max: float, high_min: float} $thresholds */
    public static function steady(float $volts, array $thresholds): self
    {
        $level = self::level($volts, $thresholds);
        $reasons = [self::said($volts, $level, $thresholds)];
        if ($level === 'undefined') {
            $reasons[] = 'a floating TTL input reads about 1.4 to 1.6 V; a signal that toggles reads its average: look with a scope or a logic probe';
        }

        return new self($volts, $level, $thresholds, $reasons);
    }

    /** @param array{low_max: float, high_min: float} $thresholds */
    public static function square(float $low, float $high, float $duty, array $thresholds): self
    {
        $average = $low + $duty * ($high - $low);
        $reasons = ['a DC meter shows the average, '.Notation::print($average, Unit::Volt).', and that is correct'];
        foreach (['low' => $low, 'high' => $high] as $wanted => $volts) {
            if (self::level($volts, $thresholds) !== $wanted) {
                $reasons[] = "its {$wanted} side is not a {$wanted}: ".self::said($volts, self::level($volts, $thresholds), $thresholds);
            }
        }
        if ($duty === 0.0 || $duty === 1.0) {
            $reasons[] = 'at a duty of 0 or 1 it never changes';
        }

        return new self($average, 'toggling', $thresholds, $reasons);
    }

    /** @param array{low_max: float, high_min: float} $thresholds */
    private static function level(float $volts, array $thresholds): string
    {
        return match (true) {
            Compare::atMost($volts, $thresholds['low_max']) => 'low',
            Compare::atLeast($volts, $thresholds['high_min']) => 'high',
            default => 'undefined',
        };
    }

    /** @param array{low_max: float, high_min: float} $thresholds */
    private static function said(float $volts, string $level, array $thresholds): string
    {
        return Notation::print($volts, Unit::Volt)." is {$level}: low up to ".Notation::print($thresholds['low_max'], Unit::Volt)
            .', high from '.Notation::print($thresholds['high_min'], Unit::Volt);
    }
}
