<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Node;

/**
 * A capacitor as it is marked, and the limits that follow. Dissipation factor at 120 Hz and 20 C of general-purpose aluminium
 * parts: typical catalogue limits, from memory; tolerances IEC 60384-4 and common practice.
 */
final readonly class Part
{
    /** Fields of a part as it is judged. */
    public const FIELDS = ['kind', 'marked_f', 'rated_v', 'tolerance_minus_pct', 'tolerance_plus_pct', 'esr_max_ohm', 'tan_delta_max', 'leakage_max_a', 'metallised_paper'];

    /** Hz at which the limits are given. */
    public const FREQUENCY = 120.0;

    /** Rated volts and limit of tan delta, from this voltage on. */
    private const TAN_DELTA = [[0.0, 0.28], [10.0, 0.24], [16.0, 0.20], [25.0, 0.16], [35.0, 0.14], [50.0, 0.12], [63.0, 0.10], [100.0, 0.08], [160.0, 0.20], [350.0, 0.25]];
    private const LEAKAGE_LEAST_A = 3e-6;
    private const REFORMED_ABOVE_V = 100.0;

    public float $lowF;
    public float $highF;

    /** At 120 Hz; null where none is known. */
    public ?float $tanDeltaMax;
    public ?float $esrMaxOhm;

    /** After 2 minutes; null above 100 V, where a part is judged after reforming. */
    public ?float $leakageMaxA;

    private function __construct(
        public Kind $kind,
        public float $markedF,
        public float $ratedV,
        public float $minusPct,
        public float $plusPct,
        ?float $esrMaxOhm,
        ?float $tanDeltaMax,
        ?float $leakageMaxA,
        public bool $metallisedPaper,
    ) {
        $this->lowF = $markedF * (1 - $minusPct / 100);
        $this->highF = $markedF * (1 + $plusPct / 100);
        $this->tanDeltaMax = $tanDeltaMax ?? ($kind === Kind::Aluminium ? self::tanDelta($markedF, $ratedV) : null);
        $this->esrMaxOhm = $esrMaxOhm ?? ($this->tanDeltaMax === null || !$kind->losesMatter() ? null : self::esr($this->tanDeltaMax, $markedF, self::FREQUENCY));
        $this->leakageMaxA = $leakageMaxA ?? ($kind === Kind::Aluminium && $ratedV <= self::REFORMED_ABOVE_V ? max(0.01 * $markedF * $ratedV, self::LEAKAGE_LEAST_A) : null);
    }

    public static function read(Node $node): self
    {
        $kind = $node->at('kind')->enum(Kind::class);
        $minus = $node->optional('tolerance_minus_pct')?->between(0, 100);

        return new self(
            $kind, $node->at('marked_f')->positive(), $node->at('rated_v')->positive(),
            $minus ?? $kind->usualTolerancePct(), $node->optional('tolerance_plus_pct')?->notNegative() ?? $kind->usualTolerancePct(),
            $node->optional('esr_max_ohm')?->positive(), $node->optional('tan_delta_max')?->positive(), $node->optional('leakage_max_a')?->positive(),
            $node->optional('metallised_paper')?->bool() ?? false,
        );
    }

    /** ESR = tan delta / (2 pi f C), in ohm. */
    public static function esr(float $tanDelta, float $farad, float $hertz): float
    {
        return $tanDelta / (2 * M_PI * $hertz * $farad);
    }

    /** Between rows the next lower voltage's row; above 1000 uF 0.02 more for each further 1000 uF begun. */
    private static function tanDelta(float $farad, float $volts): float
    {
        $limit = 0.0;
        foreach (self::TAN_DELTA as [$from, $row]) {
            if (\Ash\Quantity\Compare::atLeast($volts, $from)) {
                $limit = $row;
            }
        }

        return $limit + 0.02 * max(0.0, ceil(($farad * 1e6 - 1000) / 1000 - 1e-9));
    }
}
