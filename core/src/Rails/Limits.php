<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Node;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** The band of a rail in volts as a meter shows it; low < high also for a negative rail (-13.2, -10.92). */
final readonly class Limits
{
    private function __construct(public float $low, public float $high)
    {
    }

    public static function between(float $low, float $high): self
    {
        return new self($low, $high);
    }

    /** Percentages of the magnitude: -12 V with minus 9 and plus 10 is 10.92 V to 13.2 V of magnitude. */
    public static function tolerance(float $nominalV, float $minusPct, float $plusPct): self
    {
        $weak = $nominalV * (100 - $minusPct) / 100;
        $strong = $nominalV * (100 + $plusPct) / 100;

        return $nominalV > 0 ? new self($weak, $strong) : new self($strong, $weak);
    }

    /**
     * Without a stated tolerance: 5/5 for positive and 10/10 for negative nominals and for AC
     * (ATX12V Power Supply Design Guide 2.2, DC output regulation, from memory).
     */
    public static function ordinary(float $nominalV, RailKind $kind = RailKind::Dc): self
    {
        return $nominalV > 0 && $kind === RailKind::Dc ? self::tolerance($nominalV, 5, 5) : self::tolerance($nominalV, 10, 10);
    }

    /** The second school: +-10 %, as 54-series logic and three-supply dynamic memory allow on +5 and +12. */
    public static function wide(float $nominalV): self
    {
        return self::tolerance($nominalV, 10, 10);
    }

    /** Reads `tolerance` or `limits_v` of a rail, or neither. */
    public static function read(Node $rail, float $nominalV, RailKind $kind = RailKind::Dc): self
    {
        $rail->exclusive('tolerance', 'limits_v');
        if (($given = $rail->optional('limits_v')) !== null) {
            $given->only('low', 'high');
            $low = $given->at('low')->number();
            $high = $given->at('high')->number();

            return $low < $high ? new self($low, $high) : $given->refuse('low must be below high');
        }
        if (($given = $rail->optional('tolerance')) !== null) {
            $given->only('minus_pct', 'plus_pct');

            return self::tolerance($nominalV, $given->at('minus_pct')->notNegative(), $given->at('plus_pct')->notNegative());
        }

        return self::ordinary($nominalV, $kind);
    }

    public function width(): float
    {
        return $this->high - $this->low;
    }

    public function words(): string
    {
        return Notation::print($this->low, Unit::Volt).' to '.Notation::print($this->high, Unit::Volt);
    }
}
