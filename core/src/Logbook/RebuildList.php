<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Logbook\Entries\Fixing;
use Ash\Logbook\Entries\PutBack;
use Ash\Logbook\Entries\TakenOut;

/** The strip-down list reversed, ticked off, with what is left over or short counted by kind of fixing. */
final readonly class RebuildList
{
    /**
     * @param array<string, TakenOut> $items by entry; last out is first in
     * @param array<string, PutBack>  $back  by the entry of the item
     * @param array<string, int>      $over  by kind: positive is left over, negative is short
     */
    private function __construct(public array $items, private array $back, public array $over)
    {
    }

    /**
     * @param array<string, TakenOut> $items by entry, in the order they came out
     * @param list<PutBack>           $ticks what went back, with the fixings that were used
     */
    public static function of(array $items, array $ticks): self
    {
        $back = $out = $in = [];
        foreach ($ticks as $tick) {
            $back[$tick->item] = $tick;
        }
        foreach (array_intersect_key($items, $back) as $id => $item) {
            $out = [...$out, ...$item->fixings];
            $in = [...$in, ...$back[$id]->fixings ?? $item->fixings];
        }
        $over = Fixing::sum($out);
        foreach (Fixing::sum($in) as $kind => $count) {
            $over[$kind] = ($over[$kind] ?? 0) - $count;
        }

        return new self(array_reverse($items), $back, array_filter($over, static fn (int $count): bool => $count !== 0));
    }

    public function ticked(string $id): bool
    {
        return isset($this->back[$id]);
    }

    /** @return list<string> what stands in the way of calling it rebuilt; empty when nothing does */
    public function open(): array
    {
        $open = [];
        $left = array_diff_key($this->items, $this->back);
        if ($left !== []) {
            $open[] = count($left).' not back in: '.implode(', ', array_map(static fn (TakenOut $item): string => $item->what, array_slice($left, 0, 4)));
        }
        foreach ($this->over as $kind => $count) {
            $open[] = $count > 0 ? "{$count} {$kind} left over" : -$count." {$kind} short";
        }

        return $open;
    }
}
