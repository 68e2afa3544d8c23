<?php

declare(strict_types=1);

namespace Ash\Logbook;

/**
 * The strip-down list reversed, ticked off, with what is left over or short counted by kind of fixing.
 *
 * @phpstan-import-type Item from StripItem
 */
final readonly class RebuildList
{
    /**
     * @param list<array{id: string, item: Item, ticked: bool}> $rows last out is first in
     * @param array<string, int>                                $over by kind: positive is left over, negative is short
     */
    private function __construct(public array $rows, public array $over)
    {
    }

    /**
     * @param list<array{id: string, item: Item}>                                       $items in the order they came out
     * @param list<array{item: string, fixings: list<array{kind: string, count: int}>}> $ticks what went back, with the fixings that were used
     */
    public static function of(array $items, array $ticks): self
    {
        $used = array_column($ticks, 'fixings', 'item');
        $rows = array_map(static fn (array $it): array => [...$it, 'ticked' => isset($used[$it['id']])], array_reverse($items));
        $out = $in = [];
        foreach ($rows as $row) {
            if ($row['ticked']) {
                $out = [...$out, ...($row['item']['fixings'] ?? [])];
                $in = [...$in, ...$used[$row['id']]];
            }
        }
        $over = Fixing::sum($out);
        foreach (Fixing::sum($in) as $kind => $count) {
            $over[$kind] = ($over[$kind] ?? 0) - $count;
        }

        return new self($rows, array_filter($over, static fn (int $count): bool => $count !== 0));
    }

    /** @return list<string> what stands in the way of calling it rebuilt; empty when nothing does */
    public function open(): array
    {
        $open = [];
        $left = array_filter($this->rows, static fn (array $row): bool => !$row['ticked']);
        if ($left !== []) {
            $open[] = count($left).' not back in: '.implode(', ', array_map(static fn (array $row): string => $row['item']['what'], array_slice($left, 0, 4)));
        }
        foreach ($this->over as $kind => $count) {
            $open[] = $count > 0 ? "{$count} {$kind} left over" : -$count." {$kind} short";
        }

        return $open;
    }
}
