<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Node;
use Ash\Facts\CapacitorKind;

/**
 * A capacitor as it is marked, and the limits that follow. Dissipation factor at 120 Hz and 20 C of general-purpose aluminium
 * parts and leakage limits: typical of catalogues, from memory; tolerances: common practice, no source.
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
    private const LEAKAGE_ABOVE_V = 100.0;

    /** An ESR limit that follows from tan delta holds for 120 Hz; above this, or at an unknown frequency, the oxide's share is gone. */
    private const FAST_HZ = 1000.0;
    private const FAST_SHARE = 0.4;
    private const FAST_LEAST_OHM = 0.08;
    private const FAST_MOST_OHM = 40.0;

    /** Film whose tolerance nobody knows is condemned below twice the usual one; others above twice what is marked, which nobody sold. */
    private const UNMARKED_FILM = 2.0;
    private const NEVER_SOLD = 2.0;

    /** Percent. */
    private const ASKED_PCT = 20.0;

    public float $lowF;
    public float $highF;

    /** Capacitance below and above which it is to be replaced. */
    public float $condemnedBelowF;
    public float $condemnedAboveF;

    /** At 120 Hz; null where none is known. */
    public ?float $tanDeltaMax;
    public ?float $esrMaxOhm;

    /** It carries its ESR limit: that counts as it is, at any frequency. */
    private bool $ownEsr;
    private bool $ownMinus;
    private bool $ownPlus;

    /** After 2 minutes. */
    public float $leakageMaxA;
    public float $minusPct;
    public float $plusPct;

    private function __construct(
        public CapacitorKind $kind,
        public float $markedF,
        public float $ratedV,
        ?float $minusPct,
        ?float $plusPct,
        ?float $esrMaxOhm,
        ?float $tanDeltaMax,
        ?float $leakageMaxA,
        public bool $metallisedPaper,
    ) {
        [$usualMinus, $usualPlus] = $kind->usualTolerancePct();
        $this->minusPct = $minusPct ?? $usualMinus;
        $this->plusPct = $plusPct ?? $usualPlus;
        $this->lowF = $markedF * (1 - $this->minusPct / 100);
        $this->highF = $markedF * (1 + $this->plusPct / 100);
        $this->condemnedBelowF = $kind === CapacitorKind::Film && $minusPct === null ? $markedF * (1 - self::UNMARKED_FILM * $usualMinus / 100) : $this->lowF;
        $this->condemnedAboveF = $plusPct === null ? self::NEVER_SOLD * $markedF : $this->highF;
        $this->ownEsr = $esrMaxOhm !== null;
        $this->ownMinus = $minusPct !== null;
        $this->ownPlus = $plusPct !== null;
        $this->tanDeltaMax = $tanDeltaMax ?? ($kind->wet() ? self::tanDelta($markedF, $ratedV) : null);
        $this->esrMaxOhm = $esrMaxOhm
            ?? ($this->tanDeltaMax === null || !$kind->losesMatter() ? null : self::esr($this->tanDeltaMax, $markedF, self::FREQUENCY));
        $this->leakageMaxA = $leakageMaxA ?? self::leakage($kind, $markedF * $ratedV, $ratedV);
    }

    /** The larger of a share of C*V and a floor, by kind; of film and ceramic, whose nature is gigaohms, the floor. */
    private static function leakage(CapacitorKind $kind, float $charge, float $volts): float
    {
        return match ($kind) {
            CapacitorKind::Aluminium, CapacitorKind::Bipolar => \Ash\Quantity\Compare::atMost($volts, self::LEAKAGE_ABOVE_V)
                ? max(0.01 * $charge, 3e-6)
                : 0.04 * $charge + 100e-6,
            CapacitorKind::Tantalum => max(0.01 * $charge, 0.5e-6),
            CapacitorKind::Polymer => max(0.2 * $charge, 3e-6),
            CapacitorKind::Film, CapacitorKind::Ceramic, CapacitorKind::MainsSuppression => 1e-6,
        };
    }

    /**
     * @return array{float, float} F: what the circuit asks for. A usual tolerance says what an old part may read, not what the circuit asks: of one at
     *                             most 20 % either side
     */
    public function asked(): array
    {
        return [
            $this->markedF * (1 - ($this->ownMinus ? $this->minusPct : min(self::ASKED_PCT, $this->minusPct)) / 100),
            $this->markedF * (1 + ($this->ownPlus ? $this->plusPct : min(self::ASKED_PCT, $this->plusPct)) / 100),
        ];
    }

    /** The ESR limit that counts for a reading; the one for 120 Hz while no ESR was measured. */
    public function esrLimit(Measured $measured): ?float
    {
        $fast = $measured->frequencyHz === null || \Ash\Quantity\Compare::above($measured->frequencyHz, self::FAST_HZ);

        return $this->esrMaxOhm === null || $this->ownEsr || $measured->esrOhm === null || !$fast
            ? $this->esrMaxOhm
            : max(self::FAST_LEAST_OHM, min(self::FAST_MOST_OHM, self::FAST_SHARE * $this->esrMaxOhm));
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
            minusPct: $minusPct,
            plusPct: $plusPct,
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
