<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Node;
use Ash\Facts\CapacitorKind;

/**
 * A capacitor as it is marked, and the limits that follow. Dissipation factor at 120 Hz and 20 C of general-purpose aluminium
 * parts: typical catalogue limits, from memory; tolerances IEC 60384-4 and common practice.
 */
final readonly class Part
{
    /** Fields of a part as it is judged. */
    public const FIELDS = [
        'kind',
        'marked_f',
        'rated_v',
        'tolerance_minus_pct',
        'tolerance_plus_pct',
        'esr_max_ohm',
        'tan_delta_max',
        'leakage_max_a',
        'metallised_paper',
    ];

    /** Hz at which the limits are given. */
    public const FREQUENCY = 120.0;

    /** Rated volts and limit of tan delta, from this voltage on. */
    private const TAN_DELTA = [
        [0.0, 0.28],
        [10.0, 0.24],
        [16.0, 0.20],
        [25.0, 0.16],
        [35.0, 0.14],
        [50.0, 0.12],
        [63.0, 0.10],
        [100.0, 0.08],
        [160.0, 0.20],
        [350.0, 0.25],
    ];
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
        public CapacitorKind $kind,
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
        $this->tanDeltaMax = $tanDeltaMax ?? ($kind === CapacitorKind::Aluminium ? self::tanDelta($markedF, $ratedV) : null);
        $this->esrMaxOhm = $esrMaxOhm
            ?? ($this->tanDeltaMax === null || !$kind->losesMatter() ? null : self::esr($this->tanDeltaMax, $markedF, self::FREQUENCY));
        $this->leakageMaxA = $leakageMaxA
            ?? ($kind === CapacitorKind::Aluminium && $ratedV <= self::REFORMED_ABOVE_V ? max(0.01 * $markedF * $ratedV, self::LEAKAGE_LEAST_A) : null);
    }

    /** What is null is as usual for the kind, or follows from it. */
    public static function of(
        CapacitorKind $kind,
        float $markedF,
        float $ratedV,
        ?float $minusPct = null,
        ?float $plusPct = null,
        ?float $esrMaxOhm = null,
        ?float $tanDeltaMax = null,
        ?float $leakageMaxA = null,
        bool $metallisedPaper = false,
    ): self {
        return new self(
            kind: $kind,
            markedF: $markedF,
            ratedV: $ratedV,
            minusPct: $minusPct ?? $kind->usualTolerancePct(),
            plusPct: $plusPct ?? $kind->usualTolerancePct(),
            esrMaxOhm: $esrMaxOhm,
            tanDeltaMax: $tanDeltaMax,
            leakageMaxA: $leakageMaxA,
            metallisedPaper: $metallisedPaper,
        );
    }

    public static function read(Node $node): self
    {
        return self::of(
            kind: $node->at('kind')->enum(CapacitorKind::class),
            markedF: $node->at('marked_f')->positive(),
            ratedV: $node->at('rated_v')->positive(),
            minusPct: $node->optional('tolerance_minus_pct')?->between(0, 100),
            plusPct: $node->optional('tolerance_plus_pct')?->notNegative(),
            esrMaxOhm: $node->optional('esr_max_ohm')?->positive(),
            tanDeltaMax: $node->optional('tan_delta_max')?->positive(),
            leakageMaxA: $node->optional('leakage_max_a')?->positive(),
            metallisedPaper: $node->optional('metallised_paper')?->bool() ?? false,
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
