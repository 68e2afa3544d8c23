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
     * "6 M4x8, 2 M3x6"; a kind without a number is one of it.
     *
     * @return list<array{kind: string, count: int}>
     */
    public static function fromLine(string $line): array
    {
        $parts = array_values(array_filter(array_map(trim(...), explode(',', $line)), static fn (string $it): bool => $it !== ''));

        return array_map(static fn (string $it): array => preg_match('/^(\d{1,3})\s+(.+)$/', $it, $m) === 1 ? ['kind' => $m[2], 'count' => (int) $m[1]] : ['kind' => $it, 'count' => 1], $parts);
    }

    /**
     * @param Node|null $list absent: none; a text is read as fromLine() reads it
     *
     * @return list<array{kind: string, count: int}>
     */
    public static function readAll(?Node $list): array
    {
        if ($list !== null && is_string($list->raw())) {
            $list = Node::parse(json_encode(self::fromLine($list->text(500)), JSON_THROW_ON_ERROR));
        }

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
