<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\Node;

/** Screws, clips and the like: a kind as the bench calls it ("M3x6") and how many. */
final readonly class Fixing
{
    private function __construct(public string $kind, public int $count)
    {
    }

    /**
     * @param Node|null $list absent: none
     *
     * @return list<array{kind: string, count: int}>
     */
    public static function readAll(?Node $list): array
    {
        return array_map(static fn (Node $it): array => [
            'kind' => $it->only('kind', 'count')->at('kind')->text(60),
            'count' => $it->at('count')->integer(1, 999),
        ], $list?->items() ?? []);
    }

    /**
     * Sums by kind, whatever the case it was written in.
     *
     * @param iterable<array{kind: string, count: int}> $fixings
     *
     * @return array<string, int>
     */
    public static function sum(iterable $fixings): array
    {
        $sum = [];
        foreach ($fixings as $it) {
            $kind = mb_strtolower($it['kind']);
            $sum[$kind] = ($sum[$kind] ?? 0) + $it['count'];
        }

        return $sum;
    }

    /** @param list<array{kind: string, count: int}> $fixings */
    public static function words(array $fixings): string
    {
        return implode(', ', array_map(static fn (array $it): string => "{$it['count']} {$it['kind']}", $fixings));
    }
}
