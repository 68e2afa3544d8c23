<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Node;
use Ash\Quantity\Compare;

/**
 * A SCSI chain in cable order: ids all different, terminated at both ends and nowhere else (SCSI-2, ANSI X3.131; that some hosts start from
 * a few ids only is common practice, no source).
 */
final readonly class Scsi
{
    private const NARROW = 8;
    private const WIDE = 16;
    private const LONGEST_M = ['single_ended' => 6.0, 'differential' => 25.0];

    /**
     * @param list<ScsiEntry> $chain
     * @param ?list<int>      $bootsFrom
     */
    private function __construct(private array $chain, public int $ids, private string $kind, private ?float $lengthM, private ?array $bootsFrom)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('bus', 'chain');
        $bus = $node->at('bus')->only('wide', 'kind', 'length_m', 'boots_from');
        $ids = ($bus->optional('wide')?->bool() ?? false) ? self::WIDE : self::NARROW;
        $kind = $bus->optional('kind')?->enum(ScsiKind::class) ?? ScsiKind::SingleEnded;
        $from = $bus->optional('boots_from')?->items(self::WIDE);
        $from !== [] || $bus->at('boots_from')->refuse('must list at least one id');
        $bootsFrom = $from === null ? null : array_map(static fn (Node $it): int => $it->integer(0, $ids - 1), $from);
        foreach ($bootsFrom ?? [] as $i => $id) {
            in_array($id, array_slice($bootsFrom ?? [], 0, $i), true) && $bus->at('boots_from')->items()[$i]->refuse("{$id} is given twice");
        }
        $nodes = $node->at('chain')->items(self::WIDE);
        count($nodes) >= 2 || $node->at('chain')->refuse('must have 2 to 16 entries');
        count($nodes) <= $ids || $node->at('chain')->refuse('has more than 8 entries: a narrow bus has 8 ids');
        $chain = array_map(ScsiEntry::read(...), $nodes);
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('name'), $nodes));
        $host = $boot = false;
        foreach ($chain as $i => $it) {
            $it->host && $host && $nodes[$i]->at('host')->refuse('is the second host');
            $it->boot && ($boot || $it->host) && $nodes[$i]->at('boot')->refuse($it->host ? 'is the host itself' : 'is the second one to start from');
            $host = $host || $it->host;
            $boot = $boot || $it->boot;
        }
        $host || $node->at('chain')->refuse('must have exactly one host');

        return new self($chain, $ids, $kind->value, $bus->optional('length_m')?->positive(), $bootsFrom);
    }

    /** @return list<Problem> in the order of their codes */
    public function problems(): array
    {
        $problems = [];
        $byId = [];
        foreach ($this->chain as $it) {
            $byId[$it->id][] = $it->name;
            $it->id < $this->ids || $problems[] = new Problem(
                'id_out_of_range',
                [$it->name],
                "{$it->name} has id {$it->id}: this bus has 0 to ".($this->ids - 1),
            );
        }
        ksort($byId);
        foreach ($byId as $id => $names) {
            count($names) < 2 || $problems[] = new Problem('id_twice', $names, 'id '.$id.' is held by '.implode(' and ', $names));
        }
        $boot = $this->bootAsMarked();
        if ($this->bootsFrom !== null && array_filter($boot, fn (ScsiEntry $it): bool => in_array($it->id, $this->bootsFrom, true)) === []) {
            $names = array_map(static fn (ScsiEntry $it): string => $it->name, $boot);
            $problems[] = new Problem('boot_id', $names, 'the host starts from id '.implode(', then ', $this->bootsFrom).' only');
        }
        $last = count($this->chain) - 1;
        foreach ([$this->chain[0], $this->chain[$last]] as $it) {
            $it->terminated || $problems[] = new Problem('end_not_terminated', [$it->name], "{$it->name} stands at an end of the cable and is not terminated");
        }
        foreach (array_slice($this->chain, 1, -1) as $it) {
            $it->terminated && $problems[] = new Problem('middle_terminated', [$it->name], "{$it->name} is terminated in the middle of the cable");
        }
        $longest = self::LONGEST_M[$this->kind];
        if ($this->lengthM !== null && Compare::above($this->lengthM, $longest)) {
            $problems[] = new Problem('too_long', [], "{$this->lengthM} m of cable: a ".strtr($this->kind, '_', '-')." bus goes up to {$longest} m");
        }

        return $problems;
    }

    /** @return list<array{name: string, what: string, from: int|bool, to: int|bool}> that clear all but too long a cable */
    public function changes(): array
    {
        $changes = [];
        $ids = $this->newIds();
        foreach ($this->chain as $i => $it) {
            $ids[$i] === $it->id || $changes[] = ['name' => $it->name, 'what' => 'id', 'from' => $it->id, 'to' => $ids[$i]];
        }
        foreach ($this->chain as $i => $it) {
            $end = $i === 0 || $i === count($this->chain) - 1;
            $it->terminated === $end || $changes[] = ['name' => $it->name, 'what' => 'termination', 'from' => $it->terminated, 'to' => $end];
        }

        return $changes;
    }

    /** @return list<ScsiEntry> the one to start from; with none marked any but the host */
    private function bootAsMarked(): array
    {
        $marked = array_values(array_filter($this->chain, static fn (ScsiEntry $it): bool => $it->boot));

        return $marked !== [] ? $marked : array_values(array_filter($this->chain, static fn (ScsiEntry $it): bool => !$it->host));
    }

    /** @return list<int> */
    private function newIds(): array
    {
        $ids = $taken = [];
        $take = static function (int $entry, int $id) use (&$ids, &$taken): void {
            $ids[$entry] = $id;
            $taken[$id] = true;
        };
        if ($this->bootsFrom !== null) {
            $boot = $this->bootEntry($this->bootsFrom);
            $take($boot, in_array($this->chain[$boot]->id, $this->bootsFrom, true) ? $this->chain[$boot]->id : $this->bootsFrom[0]);
        }
        foreach ($this->chain as $i => $it) {
            if ($it->host) {
                for ($highest = $this->ids - 1; isset($taken[$highest]); --$highest) {
                }
                $take($i, $it->id < $this->ids && !isset($taken[$it->id]) ? $it->id : $highest);
            }
        }
        foreach ($this->chain as $i => $it) {
            if (!isset($ids[$i]) && $it->id < $this->ids && !isset($taken[$it->id])) {
                $take($i, $it->id);
            }
        }
        foreach ($this->chain as $i => $_) {
            if (!isset($ids[$i])) {
                for ($lowest = 0; isset($taken[$lowest]); ++$lowest) {
                }
                $take($i, $lowest);
            }
        }
        ksort($ids);

        return array_values($ids);
    }

    /** @param list<int> $bootsFrom */
    private function bootEntry(array $bootsFrom): int
    {
        $first = null;
        foreach ($this->chain as $i => $it) {
            if ($it->boot) {
                return $i;
            }
        }
        foreach ($this->chain as $i => $it) {
            if (!$it->host) {
                if (in_array($it->id, $bootsFrom, true)) {
                    return $i;
                }
                $first ??= $i;
            }
        }

        return $first ?? 0;
    }
}
