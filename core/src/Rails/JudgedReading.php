<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Statistics\Normal;

/**
 * A reading against its rail's limits. Fields that follow from a voltage are null without one.
 *
 * The guard band is the meter's stated accuracy. The probability that the true value conforms takes the
 * accuracy as the half width of a rectangular distribution, u = guard/sqrt(3) (JCGM 106:2012, 7; GUM 4.3.7).
 */
final readonly class JudgedReading
{
    /** @param list<string> $reasons */
    private function __construct(
        public Rail $rail,
        public Reading $reading,
        public ?float $guardV,
        public ?Verdict $verdict,
        public ?float $deviationPct,
        public ?float $conformanceProbability,
        public ?bool $rippleOut,
        public bool $conclusive,
        public bool $meterUnfit,
        public array $reasons,
    ) {
    }

    public static function judge(Rail $rail, Reading $reading, MeterAccuracy $meter): self
    {
        $rippleOut = $rail->rippleMaxMvpp === null || $reading->rippleMvpp === null
            ? null
            : Compare::above($reading->rippleMvpp, $rail->rippleMaxMvpp);
        if ($reading->volts === null) {
            $reasons = [...self::rippleReasons($rail, $reading, $rippleOut), ...self::ohmsReasons($reading)];

            return new self(
                rail: $rail,
                reading: $reading,
                guardV: null,
                verdict: null,
                deviationPct: null,
                conformanceProbability: null,
                rippleOut: $rippleOut,
                conclusive: false,
                meterUnfit: false,
                reasons: ['no voltage was measured', ...$reasons],
            );
        }
        $guard = $meter->guard($reading->volts);
        $unfit = Compare::atLeast(2 * $guard, $rail->limits->width());
        $verdict = self::place($reading->volts, $rail->limits, $guard);

        return new self(
            rail: $rail,
            reading: $reading,
            guardV: $guard,
            verdict: $verdict,
            deviationPct: ($rail->ratio($reading->volts) - 1) * 100,
            conformanceProbability: self::conformance($reading->volts, $rail->limits, $guard),
            rippleOut: $rippleOut,
            conclusive: $rail->loaded($reading->load) && !$unfit,
            meterUnfit: $unfit,
            reasons: [
                self::placeReason($reading->volts, $rail->limits, $guard, $verdict),
                ...self::doubts($rail, $reading, $unfit, $guard),
                ...self::rippleReasons($rail, $reading, $rippleOut),
                ...self::ohmsReasons($reading),
            ],
        );
    }

    public function good(): bool
    {
        return $this->verdict?->good() ?? false;
    }

    /** Magnitude below the low limit; the guard band does not excuse it. */
    public function weak(): bool
    {
        return $this->reading->volts !== null && !$this->good()
            && Compare::below($this->rail->magnitude($this->reading->volts), $this->rail->lowMagnitude());
    }

    public function reversed(): bool
    {
        return $this->reading->volts !== null && Compare::below($this->rail->ratio($this->reading->volts), -0.1);
    }

    /** Less than a tenth of nominal, whichever way round. */
    public function absent(): bool
    {
        return $this->reading->volts !== null && Compare::below(abs($this->rail->ratio($this->reading->volts)), 0.1);
    }

    /** Beyond the high magnitude limit by more than the meter's guard band. */
    public function overVoltage(): bool
    {
        return $this->reading->volts !== null && $this->guardV !== null
            && Compare::above($this->rail->magnitude($this->reading->volts), $this->rail->highMagnitude() + $this->guardV);
    }

    public function shorted(): bool
    {
        return $this->reading->ohmsToGround !== null && Compare::below($this->reading->ohmsToGround, 2.0);
    }

    private static function place(float $volts, Limits $limits, float $guard): Verdict
    {
        $within = static fn (float $low, float $high): bool => Compare::atLeast($volts, $low) && Compare::atMost($volts, $high);

        return match (true) {
            $within($limits->low + $guard, $limits->high - $guard) => Verdict::In,
            $within($limits->low, $limits->high) => Verdict::InClose,
            $within($limits->low - $guard, $limits->high + $guard) => Verdict::OutClose,
            default => Verdict::Out,
        };
    }

    private static function conformance(float $volts, Limits $limits, float $guard): float
    {
        if ($guard === 0.0) {
            return self::place($volts, $limits, 0.0)->good() ? 1.0 : 0.0;
        }
        $u = $guard / sqrt(3);

        return Normal::between(($limits->low - $volts) / $u, ($limits->high - $volts) / $u);
    }

    private static function placeReason(float $volts, Limits $limits, float $guard, Verdict $verdict): string
    {
        $value = Notation::print($volts, Unit::Volt);
        $nearest = abs($volts - $limits->low) < abs($volts - $limits->high) ? $limits->low : $limits->high;
        $margin = Notation::print(abs($volts - $nearest), Unit::Volt, 3);
        $limit = Notation::print($nearest, Unit::Volt);
        $meter = 'the meter can be '.Notation::print($guard, Unit::Volt, 3).' off';

        return match ($verdict) {
            Verdict::In => "{$value} is inside {$limits->words()}, {$margin} from the limit",
            Verdict::InClose => "{$value} is inside {$limits->words()} but only {$margin} from {$limit}, and {$meter}",
            Verdict::OutClose => "{$value} is outside {$limits->words()} by {$margin}, and {$meter}",
            Verdict::Out => "{$value} is outside {$limits->words()}, {$margin} beyond {$limit}",
        };
    }

    /** @return list<string> */
    private static function doubts(Rail $rail, Reading $reading, bool $unfit, float $guard): array
    {
        $doubts = [];
        if (!$rail->loaded($reading->load)) {
            $doubts[] = 'taken without load: this rail proves nothing until it is loaded';
        }
        if ($unfit) {
            $width = Notation::print($rail->limits->width(), Unit::Volt, 3);
            $doubts[] = 'the meter is not fit for this band: it can be '.Notation::print($guard, Unit::Volt, 3)." off either way and the band is {$width} wide";
        }

        return $doubts;
    }

    /** @return list<string> */
    private static function rippleReasons(Rail $rail, Reading $reading, ?bool $out): array
    {
        if ($out === null) {
            return [];
        }
        $pair = Notation::plain((float) $reading->rippleMvpp).' mVpp against '.Notation::plain((float) $rail->rippleMaxMvpp).' mVpp allowed';

        return [$out ? "ripple out: {$pair}" : "ripple in: {$pair}"];
    }

    /** @return list<string> */
    private static function ohmsReasons(Reading $reading): array
    {
        $ohms = $reading->ohmsToGround;
        if ($ohms === null) {
            return [];
        }
        $value = Notation::print($ohms, Unit::Ohm, 3).' to ground';

        return match (true) {
            Compare::below($ohms, 2.0) => ["{$value} is below 2 Ω: shorted"],
            Compare::atMost($ohms, 10.0) => ["{$value} is suspicious (2 to 10 Ω): compare with a good board"],
            default => ["{$value}: not shorted"],
        };
    }
}
