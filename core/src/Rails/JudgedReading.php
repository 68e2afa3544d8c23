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
    /** Volts over nominal where millivolts were very likely typed for volts. */
    private const SLIP_FROM = 500.0;
    private const SLIP_TO = 1500.0;

    /** A ripple below this on a rail whose limit is this or more was very likely typed in volts. */
    private const SLIP_MVPP = 1.0;
    private const SLIP_LIMIT_MVPP = 20.0;

    /** Ohms to ground (common practice, no source); and the share of a good board's below which something is wrong. */
    private const SHORT_OHM = 2.0;
    private const SUSPICIOUS_OHM = 10.0;
    private const LOW_SHARE = 0.3;

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
        public bool $voltsSlip,
        public bool $rippleSlip,
        public array $reasons,
    ) {
    }

    public static function judge(Rail $rail, Reading $reading, MeterAccuracy $meter): self
    {
        $rippleOut = $rail->rippleMaxMvpp === null || $reading->rippleMvpp === null
            ? null
            : Compare::above($reading->rippleMvpp, $rail->rippleMaxMvpp);
        $rippleSlip = $reading->rippleMvpp !== null && $reading->rippleMvpp > 0.0 && Compare::below($reading->rippleMvpp, self::SLIP_MVPP)
            && $rail->rippleMaxMvpp !== null && Compare::atLeast($rail->rippleMaxMvpp, self::SLIP_LIMIT_MVPP);
        if ($reading->volts === null) {
            $reasons = [...self::rippleReasons($rail, $reading, $rippleOut, $rippleSlip), ...self::ohmsReasons($rail, $reading)];

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
                voltsSlip: false,
                rippleSlip: $rippleSlip,
                reasons: ['no voltage was measured', ...$reasons],
            );
        }
        $guard = $meter->guard($reading->volts);
        $unfit = Compare::atLeast(2 * $guard, $rail->limits->width());
        $verdict = self::place($reading->volts, $rail->limits, $guard);
        $ratio = abs($rail->ratio($reading->volts));
        $voltsSlip = Compare::atLeast($ratio, self::SLIP_FROM) && Compare::atMost($ratio, self::SLIP_TO);

        return new self(
            rail: $rail,
            reading: $reading,
            guardV: $guard,
            verdict: $verdict,
            deviationPct: ($rail->ratio($reading->volts) - 1) * 100,
            conformanceProbability: self::conformance($reading->volts, $rail->limits, $guard),
            rippleOut: $rippleOut,
            conclusive: $rail->loaded($reading->load) && !$unfit && !$voltsSlip && !$rippleSlip,
            meterUnfit: $unfit,
            voltsSlip: $voltsSlip,
            rippleSlip: $rippleSlip,
            reasons: [
                ...($voltsSlip ? [self::asked($reading->volts, Unit::Volt)] : []),
                self::placeReason($reading->volts, $rail->limits, $guard, $verdict),
                ...self::doubts($rail, $reading, $unfit, $guard),
                ...self::rippleReasons($rail, $reading, $rippleOut, $rippleSlip),
                ...self::ohmsReasons($rail, $reading),
            ],
        );
    }

    /** A figure that was very likely typed in another unit: it is asked back and decides nothing. */
    public function unitSlip(): bool
    {
        return $this->voltsSlip || $this->rippleSlip;
    }

    /** Magnitude below the low limit and verdict out or out_close: without those that are the wrong way round or slips. */
    public function low(): bool
    {
        return $this->weak() && !$this->reversed() && !$this->voltsSlip;
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
        $ohms = $this->reading->netOhms();

        return $ohms !== null && self::isShort($ohms);
    }

    /** Ohms to ground, without the leads, that are a short. */
    public static function isShort(float $ohms): bool
    {
        return Compare::below($ohms, self::SHORT_OHM);
    }

    /** Not yet a short, and far below what a good board shows. */
    public function lowResistance(): bool
    {
        $ohms = $this->reading->netOhms();

        return $ohms !== null && !$this->shorted() && $this->rail->ohmsGood !== null && Compare::below($ohms, self::LOW_SHARE * $this->rail->ohmsGood);
    }

    /** Of a resistance to ground: a short is out, what must be compared with a good board is close to it. Null without one. */
    public function resistance(): ?Verdict
    {
        $ohms = $this->reading->netOhms();

        return match (true) {
            $ohms === null => null,
            $this->shorted() => Verdict::Out,
            $this->lowResistance(), $this->rail->ohmsGood === null && Compare::atMost($ohms, self::SUSPICIOUS_OHM) => Verdict::OutClose,
            default => Verdict::In,
        };
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

    /** What a figure may have been meant to be, as a question. */
    private static function asked(float $value, Unit $unit): string
    {
        return Notation::print($value, $unit).'? Perhaps '.Notation::print($value / 1000, $unit).': measure or type it again, it decides nothing';
    }

    /** @return list<string> */
    private static function rippleReasons(Rail $rail, Reading $reading, ?bool $out, bool $slip): array
    {
        if ($reading->rippleMvpp === null) {
            return [];
        }
        $value = Notation::plain($reading->rippleMvpp).' mVpp';
        if ($out === null) {
            return ["no ripple limit is on file for {$rail->name}: {$value} is not judged"];
        }
        if ($slip) {
            return ["{$value}? Perhaps ".Notation::plain($reading->rippleMvpp * 1000).' mVpp: measure or type it again, it decides nothing'];
        }
        $pair = "{$value} against ".Notation::plain((float) $rail->rippleMaxMvpp).' mVpp allowed';

        return [$out ? "ripple out: {$pair}" : "ripple in: {$pair}"];
    }

    /** @return list<string> */
    private static function ohmsReasons(Rail $rail, Reading $reading): array
    {
        $ohms = $reading->netOhms();
        if ($ohms === null) {
            return [];
        }
        $value = Notation::print($ohms, Unit::Ohm, 3).' to ground';
        $good = $rail->ohmsGood;

        return [match (true) {
            Compare::below($ohms, self::SHORT_OHM) => "{$value} is below 2 Ω: shorted",
            $good !== null && Compare::below($ohms, self::LOW_SHARE * $good) => "{$value} is below 0.3 of the ".Notation::print($good, Unit::Ohm, 3)
                .' of a good one: not yet a short, something draws or leaks',
            $good !== null => "{$value}, a good one has ".Notation::print($good, Unit::Ohm, 3),
            Compare::atMost($ohms, self::SUSPICIOUS_OHM) => "{$value} is suspicious (2 to 10 Ω): compare with a good board",
            default => "{$value}: not shorted",
        }];
    }
}
