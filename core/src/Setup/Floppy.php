<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Node;

/** Floppy drives along a cable, which may have a twist; common practice, no source. */
final readonly class Floppy
{
    private const MOST = 4;

    /** @param non-empty-list<FloppyDrive> $drives */
    private function __construct(private int $units, private ?Pin34 $wants, public array $drives)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('host', 'drives');
        $host = $node->at('host')->only('units', 'pin34');
        $units = $host->at('units')->integer(1, self::MOST);
        $pin = $host->optional('pin34');
        $wants = $pin === null || $pin->raw() === 'any' ? null : Pin34::tryFrom($pin->string()) ?? $pin->refuse('must be one of ready, change, any');
        $nodes = $node->at('drives')->items(self::MOST);
        $drives = array_map(FloppyDrive::read(...), $nodes);
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('name'), $nodes));
        foreach ($drives as $i => $drive) {
            $i === 0 || !$drives[$i - 1]->behindTwist || $drive->behindTwist
                || $nodes[$i]->at('behind_twist')->refuse('lies behind one that is behind the twist, so it is too');
        }

        return new self($units, $wants, $drives !== [] ? $drives : $node->at('drives')->refuse('must list at least one drive'));
    }

    /** @return list<Problem> in the order of their codes */
    public function problems(): array
    {
        $problems = [];
        $byUnit = [];
        foreach ($this->drives as $it) {
            $byUnit[$it->unit()][] = $it->name;
        }
        ksort($byUnit);
        foreach ($byUnit as $unit => $names) {
            count($names) < 2 || $problems[] = new Problem('unit_twice', $names, implode(' and ', $names)." are both unit {$unit}");
        }
        foreach ($this->drives as $it) {
            $it->unit() < $this->units || $problems[] = new Problem(
                'unit_beyond',
                [$it->name],
                "{$it->name} is unit {$it->unit()}: the host knows 0 to ".($this->units - 1),
            );
        }
        isset($byUnit[0]) || $problems[] = new Problem('no_first', [], 'no drive is unit 0, from which the machine starts');
        foreach ($this->drives as $it) {
            if ($it->pin34 !== null && $this->wants !== null && $it->pin34 !== $this->wants) {
                $problems[] = new Problem('pin34', [$it->name], $this->wants === Pin34::Change
                    ? "{$it->name} says \"ready\" where the host waits for \"change\": a disk is seen only when it was in at power-on, and "
                        .'a new one is not noticed'
                    : "{$it->name} says \"change\" where the host waits for \"ready\": it waits for ever");
            }
        }
        $last = count($this->drives) - 1;
        if ($this->drives[$last]->terminated === false) {
            $problems[] = new Problem(
                'end_not_terminated',
                [$this->drives[$last]->name],
                "{$this->drives[$last]->name} is the last on the cable and not terminated",
            );
        }
        foreach (array_slice($this->drives, 0, -1) as $it) {
            $it->terminated === true && $problems[] = new Problem('middle_terminated', [$it->name], "{$it->name} is terminated and not the last on the cable");
        }

        return $problems;
    }

    /**
     * @return list<array{name: string, from: int, to: int}>|null the fewest selects to change so that units are distinct, known to the host, and one is the
     *                                                            first; null when there are more drives than units
     */
    public function changes(): ?array
    {
        $best = null;
        foreach ($this->selects(count($this->drives)) as $selects) {
            $units = array_map(static fn (FloppyDrive $it, int $select): int => $it->unit($select), $this->drives, $selects);
            if (count(array_unique($units)) < count($units) || max($units) >= $this->units || !in_array(0, $units, true)) {
                continue;
            }
            $moved = count(array_filter($this->drives, static fn (FloppyDrive $it, int $i): bool => $it->select !== $selects[$i], ARRAY_FILTER_USE_BOTH));
            if ($best === null || $moved < $best[0]) {
                $best = [$moved, $selects];
            }
        }
        if ($best === null) {
            return null;
        }
        $changes = [];
        foreach ($this->drives as $i => $it) {
            $it->select === $best[1][$i] || $changes[] = ['name' => $it->name, 'from' => $it->select, 'to' => $best[1][$i]];
        }

        return $changes;
    }

    /** @return \Generator<int, list<int>> all selects that so many drives may have, the smallest first */
    private function selects(int $drives): \Generator
    {
        for ($n = 0; $n < self::MOST ** $drives; ++$n) {
            $selects = [];
            for ($i = $drives - 1; $i >= 0; --$i) {
                $selects[] = intdiv($n, self::MOST ** $i) % self::MOST;
            }
            yield $selects;
        }
    }
}
