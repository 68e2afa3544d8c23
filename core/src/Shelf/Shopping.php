<?php

declare(strict_types=1);

namespace Ash\Shelf;

use Ash\Facts\CapacitorKind;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** What all open jobs want, grouped by value, with spares (a tenth, and at least one: common practice, no source). */
final readonly class Shopping
{
    private const SPARE_SHARE = 0.1;

    /**
     * @param list<array{job: string, key: string, kind: CapacitorKind, marked_f: float, rated_v: float}> $wanted
     * @param list<array{kind: CapacitorKind, marked_f: float, rated_v: float, free: int}>                $shelf
     *
     * @return list<array{
     *     kind: string, value: string, volts: string, marked_f: float, rated_v: float,
     *     wanted: int, spares: int, shelf: int, buy: int, jobs: list<string>,
     * }>
     */
    public static function list(array $wanted, array $shelf): array
    {
        $groups = [];
        foreach ($wanted as $it) {
            $key = "{$it['kind']->value} {$it['marked_f']} {$it['rated_v']}";
            $groups[$key] ??= ['of' => $it, 'count' => 0, 'jobs' => []];
            ++$groups[$key]['count'];
            $groups[$key]['jobs'][$it['job']][] = $it['key'];
        }
        ksort($groups, SORT_NATURAL);
        $rows = [];
        foreach ($groups as $group) {
            $of = $group['of'];
            $spares = max(1, (int) ceil(self::SPARE_SHARE * $group['count'] - 1e-9));
            $here = array_sum(array_map(
                static fn (array $it): int => $it['kind'] === $of['kind']
                    && \Ash\Quantity\Compare::same($it['marked_f'], $of['marked_f'])
                    && \Ash\Quantity\Compare::atLeast($it['rated_v'], $of['rated_v'])
                    ? $it['free']
                    : 0,
                $shelf,
            ));
            $rows[] = [
                'kind' => $of['kind']->words(), 'value' => Notation::print($of['marked_f'], Unit::Farad, 4),
                'volts' => Notation::print($of['rated_v'], Unit::Volt), 'marked_f' => $of['marked_f'], 'rated_v' => $of['rated_v'],
                'wanted' => $group['count'], 'spares' => $spares, 'shelf' => $here, 'buy' => max(0, $group['count'] + $spares - $here),
                'jobs' => array_map(
                    static fn (string $job, array $keys): string => "{$job}: ".implode(', ', $keys),
                    array_keys($group['jobs']),
                    $group['jobs'],
                ),
            ];
        }

        return $rows;
    }
}
