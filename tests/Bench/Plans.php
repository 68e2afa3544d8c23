<?php

declare(strict_types=1);

namespace Tests\Bench;

/** What a query's plan does to tables that grow: reading one whole, or sorting more rows than a page or two shows. */
final class Plans
{
    public const GROWS = [
        'entries', 'jobs', 'readings', 'runs', 'photos', 'boards', 'machines', 'kinds', 'kind_profiles', 'shelf_items', 'shelf_moves', 'open_items',
        'capacitor_tests', 'memory_sources', 'board_moves',
    ];

    /** Rows that a page may sort, or read past an index. */
    private const PAGE = 600;

    /** What counts or writes out all there is, and the reason. */
    private const WHOLE = [
        'select count(*) as aggregate from `shelf_items`' => 'how many parts there are stands above the list',
        'from `shelf_items` order by `sku` asc limit 500' => 'the shelf as a file, in pieces',
        '`entries`.`corrects_id`, `readings`.`entry_id`' => 'a board\'s whole record is written out',
        '`boards`.`found_by` like' => 'a part of a name has no index; tests/Bench measures it over 10 000 boards',
        '`machines`.`found_by` like' => 'as for boards',
    ];

    /**
     * @param \Closure(): string $explained what ANALYZE FORMAT=JSON says of it
     *
     * @return list<string> what is wrong with it
     */
    public static function of(string $sql, \Closure $explained): array
    {
        if (array_filter(array_keys(self::WHOLE), static fn (string $part): bool => str_contains($sql, $part)) !== []) {
            return [];
        }
        $plan = json_decode($explained(), true);

        return array_map(static fn (string $fault): string => "{$fault}: {$sql}", self::faults(is_array($plan) ? $plan : []));
    }

    /**
     * @param array<array-key, mixed> $node of a plan
     *
     * @return list<string>
     */
    private static function faults(array $node): array
    {
        $faults = [];
        foreach ($node as $name => $part) {
            if (!is_array($part)) {
                continue;
            }
            $rows = is_numeric($part['r_rows'] ?? null) ? (float) $part['r_rows'] : 0.0;
            $loops = is_numeric($part['r_loops'] ?? null) ? (float) $part['r_loops'] : 1.0;
            if ($name === 'table'
                && in_array($part['table_name'] ?? '', self::GROWS, true)
                && in_array($part['access_type'] ?? '', ['ALL', 'index'], true)
                && $rows * $loops > self::PAGE) {
                $faults[] = 'reads '.(int) ($rows * $loops)." rows of {$part['table_name']}";
            }
            if ($name === 'filesort' && $rows === 0.0 && is_numeric($part['r_output_rows'] ?? null)) {
                $rows = (float) $part['r_output_rows'];
            }
            if ($name === 'filesort' && $rows > self::PAGE) {
                $faults[] = "sorts {$rows} rows";
            }
            $faults = [...$faults, ...self::faults($part)];
        }

        return $faults;
    }
}
