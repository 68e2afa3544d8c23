<?php

declare(strict_types=1);

namespace Ash\Tests\Setup;

use Ash\Setup\SetupRoom;
use Ash\Tests\Asks;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Against all ways of setting them, tried one by one. */
final class AssignTest extends TestCase
{
    use Asks;

    /** @return array<string, mixed> */
    private static function drawn(): array
    {
        $claim = static fn (): array => match (mt_rand(0, 3)) {
            0, 1 => ['resource' => 'irq', 'at' => mt_rand(3, 6)],
            2 => ['resource' => 'io', 'base' => mt_rand(0, 6) * 8, 'length' => mt_rand(1, 12)],
            default => ['resource' => 'io', 'base' => mt_rand(0, 3) * 8, 'length' => mt_rand(1, 4), 'repeats_every' => [8192, 8200, 30_000][mt_rand(0, 2)]],
        };
        $devices = [];
        for ($d = mt_rand(2, 4); $d > 0; --$d) {
            $settings = [];
            for ($s = mt_rand(1, 2); $s > 0; --$s) {
                $options = [];
                for ($o = mt_rand(1, 3); $o > 0; --$o) {
                    $options[] = ['name' => "o{$o}", 'claims' => array_map($claim, array_fill(0, mt_rand(0, 2), 0))];
                }
                $settings[] = [
                    'name' => "s{$s}",
                    'at' => $options[mt_rand(0, count($options) - 1)]['name'],
                    'options' => $options,
                    ...(mt_rand(0, 5) === 0 ? ['fixed' => true] : []),
                ];
            }
            $devices[] = ['name' => "d{$d}", 'settings' => $settings];
        }

        return [
            'devices' => $devices,
            'reserved' => array_map(static fn (int $i): array => ['by' => "board {$i}", 'claims' => [$claim()]], range(1, mt_rand(1, 2))),
            ...(mt_rand(0, 2) === 0 ? ['shared' => [['resource' => 'irq', 'at' => mt_rand(3, 6)]]] : []),
        ];
    }

    public function test_it_agrees_with_trying_every_way(): void
    {
        mt_srand(31);
        $solved = $stuck = 0;
        for ($round = 0; $round < 250; ++$round) {
            $document = self::drawn();
            $found = self::put(new SetupRoom(), 'assign', $document);
            $plain = new PlainAssign($document);
            $said = json_encode($document, JSON_THROW_ON_ERROR);
            self::assertTrue($found['proved'], $said);
            self::assertEquals($plain->conflicts(), $found['conflicts'], $said);
            [$solvable, $needed, $plans] = $plain->ways();
            self::assertSame([$solvable, $needed], [$found['solvable'], $found['changes_needed']], $said);
            self::assertSame($plans, $found['plans'], $said);
            self::assertSame($plain->core(), $found['core'], $said);
            $solved += $solvable && $needed > 0 ? 1 : 0;
            $stuck += $solvable ? 0 : 1;
        }
        self::assertGreaterThan(40, $solved);
        self::assertGreaterThan(30, $stuck);
    }

    public function test_a_pigeon_too_many_is_proved_and_a_large_bench_stays_bounded(): void
    {
        $lines = static fn (int $n): array => array_map(
            static fn (int $i): array => ['name' => "{$i}", 'claims' => [['resource' => 'irq', 'at' => $i]]],
            range(1, $n),
        );
        $devices = static fn (int $n, int $of): array => array_map(
            static fn (int $i): array => ['name' => "d{$i}", 'settings' => [['name' => 'irq', 'at' => '1', 'options' => $lines($of)]]],
            range(1, $n),
        );
        $found = self::put(new SetupRoom(), 'assign', ['devices' => $devices(5, 4)]);
        self::assertSame([true, false, null, ['d1', 'd2', 'd3', 'd4', 'd5']], [$found['proved'], $found['solvable'], $found['changes_needed'], $found['core']]);
        $from = microtime(true);
        $found = self::put(new SetupRoom(), 'assign', ['devices' => $devices(40, 39)]);
        self::assertLessThan(30, microtime(true) - $from);
        self::assertSame([false, null, null, []], [$found['proved'], $found['solvable'], $found['changes_needed'], $found['core']]);
        $kept = array_map(static fn (int $i): array => ['resource' => 'port', 'at' => $i], range(1, 40));
        self::assertTrue(self::put(new SetupRoom(), 'assign', ['devices' => [], 'reserved' => [['by' => 'board', 'claims' => $kept]]])['solvable']);
        $found = self::put(new SetupRoom(), 'assign', ['devices' => $devices(7, 8)]);
        self::assertSame([true, true, 6, 10], [$found['proved'], $found['solvable'], $found['changes_needed'], count((array) $found['plans'])]);
    }

    /** @return array<string, array{string, array<string, mixed>}> */
    public static function refused(): array
    {
        $with = static fn (array $claim, array $more = []): array => [
            'devices' => [['name' => 'a', 'settings' => [['name' => 's', 'at' => 'x', 'options' => [['name' => 'x', 'claims' => [$claim]]]]]]], ...$more,
        ];
        $range = ['resource' => 'io', 'base' => 16, 'length' => 8];
        $setting = static fn (array $setting): array => [
            'devices' => [['name' => 'a', 'settings' => [$setting + ['name' => 's', 'at' => 'x', 'options' => [['name' => 'x', 'claims' => []]]]]]],
        ];
        $claims = '/devices/0/settings/0/options/0/claims/0';

        return [
            'place and range' => ["{$claims}/base", $with(['resource' => 'io', 'at' => 1, 'base' => 2, 'length' => 1])],
            'neither' => ["{$claims}/at", $with(['resource' => 'io'])],
            'a range of nothing' => ["{$claims}/length", $with(['length' => 0] + $range)],
            'repeats inside itself' => ["{$claims}/repeats_every", $with($range + ['repeats_every' => 7])],
            'a place with a length' => ["{$claims}/length", $with(['resource' => 'io', 'at' => 1, 'length' => 2])],
            'half a place' => ["{$claims}/at", $with(['resource' => 'io', 'at' => 1.5])],
            'below nothing' => ["{$claims}/base", $with(['base' => -1] + $range)],
            'places and ranges of one' => [
                '/reserved/0/claims/0',
                $with($range, ['reserved' => [['by' => 'board', 'claims' => [['resource' => 'io', 'at' => 1]]]]]),
            ],
            'a range that is shared' => ['/shared/0/resource', $with($range, ['shared' => [['resource' => 'io', 'at' => 1]]])],
            'stands on nothing' => ['/devices/0/settings/0/at', $setting(['at' => 'y'])],
            'no option' => ['/devices/0/settings/0/options', $setting(['options' => []])],
            'an option twice' => [
                '/devices/0/settings/0/options/1/name',
                $setting(['options' => [['name' => 'x', 'claims' => []], ['name' => 'x', 'claims' => []]]]),
            ],
            'a device twice' => ['/devices/1/name', ['devices' => [['name' => 'a', 'settings' => []], ['name' => 'a', 'settings' => []]]]],
            'reserved twice' => ['/reserved/1/by', ['devices' => [], 'reserved' => [['by' => 'a', 'claims' => []], ['by' => 'a', 'claims' => []]]]],
            'too many settings' => ['/devices/0/settings', ['devices' => [['name' => 'a', 'settings' => array_fill(0, 9, [])]]]],
        ];
    }

    /** @param array<string, mixed> $document */
    #[DataProvider('refused')]
    public function test_what_makes_no_sense_is_refused_at_its_field(string $pointer, array $document): void
    {
        self::assertRefusedAt($pointer, new SetupRoom(), 'assign', $document);
    }
}
