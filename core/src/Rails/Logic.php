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
    /** Volts above its supply from which a reading is no level (a diode's drop: common practice, no source). */
    private const ABOVE_V = 0.3;

    /** Shares of the supply between which an average of a moving signal lies most often (common practice, no source). */
    private const TOGGLES_FROM = 0.2;
    private const TOGGLES_TO = 0.8;

    /**
     * @param array{low_max: float, high_min: float} $thresholdsV
     * @param list<string>                           $reasons
     */
    private function __construct(public float $volts, public LogicLevel $level, public array $thresholdsV, public bool $mayToggle, public array $reasons)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('family', 'supply_v', 'volts', 'square')->exclusive('volts', 'square');
        $supply = $node->at('supply_v')->positive();
        $thresholds = $node->at('family')->enum(LogicFamily::class)->thresholds($supply);
        $square = $node->optional('square');
        if ($square === null) {
            return self::steady($node->at('volts')->number(), $supply, $thresholds);
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
    public static function steady(float $volts, float $supplyV, array $thresholds): self
    {
        $level = Compare::above($volts, $supplyV + self::ABOVE_V) ? LogicLevel::AboveSupply : self::level($volts, $thresholds);
        $toggles = Compare::atLeast($volts, self::TOGGLES_FROM * $supplyV) && Compare::atMost($volts, self::TOGGLES_TO * $supplyV);

        return new self($volts, $level, $thresholds, $toggles, array_values(array_filter([
            self::said($volts, $level, $thresholds),
            $level === LogicLevel::AboveSupply ? 'more than 0.3 V above its own supply: a wrong supply, another supply leaking in, or the wrong pin' : null,
            $level === LogicLevel::Undefined ? 'a floating TTL input reads about 1.4 to 1.6 V' : null,
            $toggles ? 'it may be moving: of a signal that toggles a meter shows the average. Look with a scope or a logic probe' : null,
        ])));
    }

    /** @param array{low_max: float, high_min: float} $thresholds */
    public static function square(float $low, float $high, float $duty, array $thresholds): self
    {
        $average = $low + $duty * ($high - $low);
        $reasons = ['a DC meter shows the average, '.Notation::print($average, Unit::Volt).', and that is correct'];
        foreach ([[LogicLevel::Low, $low], [LogicLevel::High, $high]] as [$wanted, $volts]) {
            if (self::level($volts, $thresholds) !== $wanted) {
                $reasons[] = "its {$wanted->value} side is not a {$wanted->value}: ".self::said($volts, self::level($volts, $thresholds), $thresholds);
            }
        }
        if ($duty === 0.0 || $duty === 1.0) {
            $reasons[] = 'at a duty of 0 or 1 it never changes';
        }

        return new self($average, LogicLevel::Toggling, $thresholds, false, $reasons);
    }

    /** @param array{low_max: float, high_min: float} $thresholds */
    private static function level(float $volts, array $thresholds): LogicLevel
    {
        return match (true) {
            Compare::atMost($volts, $thresholds['low_max']) => LogicLevel::Low,
            Compare::atLeast($volts, $thresholds['high_min']) => LogicLevel::High,
            default => LogicLevel::Undefined,
        };
    }

    /** @param array{low_max: float, high_min: float} $thresholds */
    private static function said(float $volts, LogicLevel $level, array $thresholds): string
    {
        return Notation::print($volts, Unit::Volt)." is {$level->words()}: low up to ".Notation::print($thresholds['low_max'], Unit::Volt)
            .', high from '.Notation::print($thresholds['high_min'], Unit::Volt);
    }
}
