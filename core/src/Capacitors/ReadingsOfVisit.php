<?php

declare(strict_types=1);

namespace Ash\Capacitors;

/**
 * What all readings of one part say together. A reading of one quantity does not take back what another quantity said: a part whose
 * ESR condemned it stays condemned when its capacitance alone is read and is fine. The last reading of each quantity counts; one of
 * the lifted part counts before those in circuit, and one in circuit after it only when it condemns. What the eye saw stays seen.
 * Common practice, no source.
 */
final class ReadingsOfVisit
{
    public PartVerdict $verdict = PartVerdict::Keep;
    public bool $proven;

    /** @var list<string> */
    public array $reasons = [];

    /** @var array<string, Measured> what counts, by quantity */
    public array $counts = [];

    private function __construct()
    {
    }

    /**
     * @param non-empty-list<Taken> $readings of one part, oldest first
     * @param ?float                $railV    V; its sign does not matter
     */
    public static function of(Part $part, array $readings, ?float $railV): self
    {
        $lifted = $inCircuit = $looks = [];
        $wasLifted = false;
        foreach ($readings as $reading) {
            $looks += array_column($reading->looks, null, 'value');
            if ($reading->inCircuit) {
                $inCircuit = [...$inCircuit, ...$reading->measured->apart()];
                continue;
            }
            $wasLifted = true;
            $lifted = [...$lifted, ...$reading->measured->apart()];
            // What was read in circuit before the part was lifted has been asked again, and better.
            $inCircuit = array_diff_key($inCircuit, $reading->measured->apart());
        }
        $it = new self();
        $it->add(Judged::of($part, new Measured(), !$wasLifted, array_values($looks), $railV), '');
        foreach ($lifted as $quantity => $measured) {
            $it->add(Judged::of($part, $measured, false, [], null), '');
            $it->counts[$quantity] = $measured;
        }
        foreach ($inCircuit as $quantity => $measured) {
            $judged = Judged::of($part, $measured, true, [], null);
            if (!isset($lifted[$quantity]) || $judged->verdict === PartVerdict::Replace) {
                $it->add($judged, $wasLifted ? 'in circuit: ' : '');
                $it->counts[$quantity] = $measured;
            }
        }
        $it->proven = $it->verdict === PartVerdict::Replace || Judged::whole($part, $lifted);
        $it->proven ?: $it->reasons[] = Judged::unproven(!$wasLifted, $part->kind);

        return $it;
    }

    private function add(Judged $judged, string $where): void
    {
        $this->verdict = PartVerdict::worse($this->verdict, $judged->verdict);
        array_push($this->reasons, ...array_map(static fn (string $it): string => "{$where}{$it}", $judged->findings()));
    }
}
