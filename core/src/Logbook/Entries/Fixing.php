<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;

/** Screws, clips and the like: a kind as the bench calls it ("M3x6") and how many. */
final readonly class Fixing
{
    public function __construct(#[Text(60)] public string $kind, #[Whole(1, 999)] public int $count)
    {
    }

    /**
     * "6 M4x8, 2 M3x6"; a kind without a number is one of it.
     *
     * @return list<array{kind: string, count: int}> not checked yet
     */
    public static function said(string $line): array
    {
        $parts = array_values(array_filter(array_map(trim(...), explode(',', $line)), static fn (string $it): bool => $it !== ''));

        return array_map(static fn (string $it): array => preg_match('/^(\d{1,3})\s+(.+)$/', $it, $m) === 1
            ? ['kind' => $m[2], 'count' => (int) $m[1]]
            : ['kind' => $it, 'count' => 1], $parts);
    }

    /**
     * Sums by kind, whatever the case it was written in.
     *
     * @param iterable<self> $fixings
     *
     * @return array<string, int>
     */
    public static function sum(iterable $fixings): array
    {
        $sum = [];
        foreach ($fixings as $it) {
            $kind = mb_strtolower($it->kind);
            $sum[$kind] = ($sum[$kind] ?? 0) + $it->count;
        }

        return $sum;
    }

    /** @param list<self> $fixings */
    public static function words(array $fixings): string
    {
        return implode(', ', array_map(static fn (self $it): string => "{$it->count} {$it->kind}", $fixings));
    }
}
