<?php

declare(strict_types=1);

namespace Ash\Memory;

/**
 * Every fault of every class on a small memory, one at a time, those that must behave alike counted together: what a march test's claim
 * is worth, shown and not told.
 */
final readonly class Coverage
{
    /** @return list<array{type: string, faults: int, detected: int, pct: ?float}> */
    public static function of(MarchTest $test, int $words): array
    {
        $rows = [];
        foreach (['saf', 'tf', 'cfin', 'cfid', 'cfst', 'af'] as $class) {
            $faults = $detected = 0;
            foreach (self::faults($class) as $fault) {
                $alike = $fault->aggressor === null ? $words : intdiv($words * ($words - 1), 2);
                $faults += $alike;
                $detected += (new Simulator($test, [$fault]))->detects() ? $alike : 0;
            }
            $rows[] = ['type' => $class, 'faults' => $faults, 'detected' => $detected, 'pct' => $faults === 0 ? null : $detected / $faults * 100];
        }

        return $rows;
    }

    /**
     * One fault for each way in which two cells can lie to each other: what a march finds depends on which comes first, and on no distance.
     *
     * @return iterable<CellFault>
     */
    private static function faults(string $class): iterable
    {
        foreach (match ($class) {
            'saf' => [['saf0', null], ['saf1', null]],
            'tf' => [['tf_up', null], ['tf_down', null]],
            'af' => [['af_none', 0], ['af_none', 1]],
            default => [],
        } as [$type, $value]) {
            yield new CellFault($type, 0, value: $value);
        }
        yield from self::coupled($class, 0, 1);
        yield from self::coupled($class, 1, 0);
    }

    /** @return iterable<CellFault> */
    private static function coupled(string $class, int $cell, int $aggressor): iterable
    {
        if ($class === 'af') {
            yield new CellFault('af_shared', $cell, $aggressor);
            yield new CellFault('af_multi', $cell, $aggressor, null, 'and');
            yield new CellFault('af_multi', $cell, $aggressor, null, 'or');
        }
        foreach (in_array($class, ['cfin', 'cfid', 'cfst'], true) ? [0, 1] : [] as $when) {
            foreach ($class === 'cfin' ? [null] : [0, 1] as $value) {
                yield new CellFault($class, $cell, $aggressor, $when, $value);
            }
        }
    }
}
