<?php

declare(strict_types=1);

namespace AshStandins;

/**
 * A simulated board on its supply, from a scene file. Each rail is a source (volts, ohms behind it) that feeds the
 * points along it through the ohms between them; the load draws amperes by load state. Faults change that circuit,
 * so a sag, a drop or an open fuse follows from Ohm's law and not from a list of numbers.
 *
 * @phpstan-type Rail array{
 *     volts: float, source_ohms?: float, ripple_mvpp?: float, amps?: array<string, float>,
 *     ohms_to_ground?: float, farads?: float, points?: list<array{name: string, ohms?: float}>,
 * }
 * @phpstan-type Capacitor array{farads: float, esr_ohms: float, leakage_amps: float}
 * @phpstan-type Fault array{type: string, rail?: string, volts?: float, factor?: float, mvpp?: float, ohms?: float, before?: string, does?: string}
 */
final class Board
{
    private const LOADS = ['none', 'partial', 'working'];

    /** What an unloaded, open wire picks up, in volts: a meter with a high input resistance never shows exactly 0. */
    private const STRAY = 0.004;

    /** Voltages asked for so far: what comes and goes, goes at every second one. */
    private int $asked = 0;

    /**
     * @param array<string, Rail>      $rails
     * @param list<Fault>              $faults
     * @param array<string, ?float>    $traces     ohms by the name of the place, without the leads; null: open
     * @param array<string, Capacitor> $capacitors by designator
     */
    private function __construct(
        private readonly array $rails,
        private readonly array $faults,
        public readonly string $title,
        public readonly float $noiseV,
        private readonly float $leadOhms,
        private readonly array $traces,
        private readonly array $capacitors,
    ) {
    }

    public static function load(string $file): self
    {
        $scene = json_decode((string) @file_get_contents($file), true);
        if (!is_array($scene) || !is_string($scene['board'] ?? null)) {
            throw new \RuntimeException("{$file} is not a scene");
        }
        $board = json_decode((string) @file_get_contents(dirname($file, 2)."/boards/{$scene['board']}.json"), true);
        if (!is_array($board) || !is_array($board['rails'] ?? null)) {
            throw new \RuntimeException("{$file} names a board that is not there");
        }

        /** @var array{rails: array<string, Rail>, noise_v?: float, lead_ohms?: float, capacitors?: array<string, Capacitor>} $board */
        /** @var array{title?: string, faults?: list<Fault>, traces?: array<string, ?float>, capacitors?: array<string, Capacitor>} $scene */
        return new self(
            $board['rails'],
            $scene['faults'] ?? [],
            $scene['title'] ?? '',
            $board['noise_v'] ?? 0.002,
            $board['lead_ohms'] ?? 0.18,
            $scene['traces'] ?? [],
            ($scene['capacitors'] ?? []) + ($board['capacitors'] ?? []),
        );
    }

    /** How the meter itself behaves at this probe: silent, drops, garbled, busy, error, overload, or null when it is well. */
    public function misbehaviour(string $rail): ?string
    {
        foreach ($this->faults as $fault) {
            if ($fault['type'] === 'meter' && in_array($fault['rail'] ?? $rail, [$rail, '*'], true)) {
                return $fault['does'] ?? null;
            }
        }

        return null;
    }

    /** Volts DC at a point, before noise; null when the board has no such rail. */
    public function volts(string $rail, string $point, string $load): ?float
    {
        $it = $this->rails[$rail] ?? null;
        if ($it === null) {
            return null;
        }
        if ($this->fault('short', $rail) !== null) {
            return 0.0;
        }
        $goes = $this->fault('comes_and_goes', $rail);
        $gone = $goes !== null && ++$this->asked % 2 === 0 ? $goes['volts'] ?? null : null;
        $volts = $gone ?? $this->fault('weak', $rail)['volts'] ?? $this->fault('high', $rail)['volts'] ?? $it['volts'];
        $volts *= $this->fault('scaled', '*')['factor'] ?? 1.0;
        if ($this->fault('dead', '*') !== null || $this->open($rail, $point)) {
            return self::STRAY;
        }
        if ($this->fault('reversed', $rail) !== null) {
            return -$volts;
        }
        $lost = $this->amps($rail, $load) * $this->ohms($rail, $point);

        return $volts > 0 ? $volts - $lost : $volts + $lost;
    }

    /** Ripple in volts RMS of a sawtooth: U_rms = U_pp / (2*sqrt(3)). It grows with the load. */
    public function ripple(string $rail, string $point, string $load): ?float
    {
        $it = $this->rails[$rail] ?? null;
        if ($it === null || $this->open($rail, $point)) {
            return $it === null ? null : self::STRAY / 10;
        }
        $mvpp = $this->fault('ripple', $rail)['mvpp'] ?? $it['ripple_mvpp'] ?? 10;
        $share = ['none' => 0.3, 'partial' => 0.6, 'working' => 1.0][$load] ?? 1.0;

        return $mvpp / 1000 * $share / (2 * sqrt(3));
    }

    /** Ohms from a rail to ground with the power off, of the leads alone ("leads"), or along a trace ("continuity"); null when there is no way. */
    public function resistance(string $rail, string $point = ''): ?float
    {
        if ($rail === 'leads') {
            return $this->leadOhms;
        }
        if ($rail === 'continuity') {
            $ohms = array_key_exists($point, $this->traces) ? $this->traces[$point] : 0.05;

            return $ohms === null ? null : $this->leadOhms + $ohms;
        }
        $it = $this->rails[$rail] ?? null;

        return $it === null ? null : $this->fault('short', $rail)['ohms'] ?? $this->fault('leak', $rail)['ohms'] ?? $it['ohms_to_ground'] ?? 220;
    }

    /** Farads across a rail. */
    public function capacitance(string $rail, string $point): ?float
    {
        if ($rail === 'capacitor') {
            return $this->capacitors[$point]['farads'] ?? null;
        }
        $it = $this->rails[$rail] ?? null;

        return $it === null ? null : $it['farads'] ?? 0.001;
    }

    /** ESR in ohms with the leads' share, or the leads' alone; an LCR meter's leads are short and four-wire, so it is small. */
    public function esr(string $rail, string $point): ?float
    {
        $esr = $rail === 'leads' ? 0.0 : ($rail === 'capacitor' ? $this->capacitors[$point]['esr_ohms'] ?? null : null);

        return $esr === null ? null : $esr + $this->leadOhms / 20;
    }

    /** tan delta = 2 pi f C ESR, at 120 Hz. */
    public function tanDelta(string $rail, string $point): ?float
    {
        $it = $rail === 'capacitor' ? $this->capacitors[$point] ?? null : null;

        return $it === null ? null : 2 * M_PI * 120 * $it['farads'] * $it['esr_ohms'];
    }

    /** Amperes through a capacitor under its rated voltage, two minutes after it was applied. */
    public function leakage(string $rail, string $point): ?float
    {
        return $rail === 'capacitor' ? $this->capacitors[$point]['leakage_amps'] ?? null : null;
    }

    /** Twice the line frequency: full-wave rectified. */
    public function frequency(string $rail): ?float
    {
        return isset($this->rails[$rail]) ? 100.0 : null;
    }

    private function amps(string $rail, string $load): float
    {
        $amps = $this->rails[$rail]['amps'] ?? [];

        return $amps[in_array($load, self::LOADS, true) ? $load : 'working'] ?? 0.0;
    }

    /** From the source to a point, in ohms; what the scene's sag or drop adds is among them. */
    private function ohms(string $rail, string $point): float
    {
        $ohms = $this->fault('sag', $rail)['ohms'] ?? $this->rails[$rail]['source_ohms'] ?? 0.02;
        foreach ($this->way($rail, $point) as [$name, $between]) {
            $drop = $this->fault('drop', $rail);
            $ohms += $between + ($drop !== null && ($drop['before'] ?? '') === $name ? $drop['ohms'] ?? 0.0 : 0.0);
        }

        return $ohms;
    }

    private function open(string $rail, string $point): bool
    {
        $open = $this->fault('open', $rail);

        return $open !== null && in_array($open['before'] ?? '', array_column($this->way($rail, $point), 0), true);
    }

    /** @return list<array{string, float}> the points up to this one; a point that the scene does not know lies at the end */
    private function way(string $rail, string $point): array
    {
        $way = [];
        foreach ($this->rails[$rail]['points'] ?? [] as $it) {
            $way[] = [$it['name'], $it['ohms'] ?? 0.005];
            if ($it['name'] === $point) {
                break;
            }
        }

        return $way;
    }

    /** @return Fault|null */
    private function fault(string $type, string $rail): ?array
    {
        foreach ($this->faults as $fault) {
            if ($fault['type'] === $type && ($fault['rail'] ?? '*') === $rail) {
                return $fault;
            }
        }

        return null;
    }
}
