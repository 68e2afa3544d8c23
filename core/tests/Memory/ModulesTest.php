<?php

declare(strict_types=1);

namespace Ash\Tests\Memory;

use Ash\Memory\MemoryRoom;
use Ash\Tests\Asks;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Soak bounds, module sums, and which chip goes into which socket. */
final class ModulesTest extends TestCase
{
    use Asks;

    /**
     * R 4.2.2: qbeta(C, k+1, n-k) and qbeta(1-C, k, n-k+1).
     *
     * @return list<array{int, int, float, float, float}> passes, errors, confidence, upper, lower
     */
    public static function clopperPearson(): array
    {
        return [
            [100, 3, 0.95, 0.07571079374983, 0.00822582910765269], [51, 1, 0.95, 0.0896715382914285, 0.00100524527245357],
            [1000, 37, 0.99, 0.0533381347769071, 0.0244767501628229],
            [10, 9, 0.9, 0.989519258206214, 0.663152276693275], [100000, 2, 0.95, 6.2956583960867e-05, 3.55362656105486e-06],
            [51, 0, 0.95, 0.0570479523604428, 0.0], [1, 1, 0.95, 1.0, 0.05],
        ];
    }

    #[DataProvider('clopperPearson')]
    public function test_soak_bounds_agree_with_r(int $passes, int $errors, float $confidence, float $upper, float $lower): void
    {
        $answer = self::put(new MemoryRoom(), 'soak', ['passes' => $passes, 'errors' => $errors, 'confidence' => $confidence]);
        self::assertEqualsWithDelta([$upper, $lower, $errors / $passes], [$answer['upper_rate'], $answer['lower_rate'], $answer['error_rate']], 1e-10);
        self::assertNull($answer['passes_needed']);
    }

    public function test_51_clean_passes_and_299_for_one_percent(): void
    {
        $answer = self::put(new MemoryRoom(), 'soak', ['passes' => 51, 'errors' => 0, 'target_rate' => 0.01, 'seconds_per_pass' => 90]);
        self::assertSame([299, 248, 22320], [$answer['passes_needed'], $answer['passes_left'], $answer['seconds_left']]);
        self::assertIsArray($answer['reasons']);
        self::assertStringContainsString('more than 1 pass in 17', implode(' ', $answer['reasons']));
        self::assertSame(0, self::put(new MemoryRoom(), 'soak', ['passes' => 400, 'errors' => 0, 'target_rate' => 0.01])['passes_left']);
        $failed = self::put(new MemoryRoom(), 'soak', ['passes' => 51, 'errors' => 1, 'target_rate' => 0.01, 'seconds_per_pass' => 90]);
        self::assertSame([null, null, null], [$failed['passes_needed'], $failed['passes_left'], $failed['seconds_left']]);
    }

    /** @return array<string, array{list<float>, float, list<list<string>>}> sizes, counted, explanations */
    public static function sums(): array
    {
        return [
            'one of two like ones' => [[128, 64, 64], 192, [['m1'], ['m2']]],
            'one or two together' => [[128, 64, 64], 128, [['m0'], ['m1', 'm2']]],
            'nothing is missing' => [[128, 64], 192, []],
            'more is counted than is fitted' => [[64], 128, []],
            'nothing explains it' => [[64, 64], 100, []],
            'halves are exact' => [[0.5, 0.25, 0.25], 0.5, [['m0'], ['m1', 'm2']]],
            'at most ten' => [
                array_fill(0, 12, 16.0),
                160,
                [['m0', 'm1'], ['m0', 'm2'], ['m0', 'm3'], ['m0', 'm4'], ['m0', 'm5'], ['m0', 'm6'], ['m0', 'm7'], ['m0', 'm8'], ['m0', 'm9'], ['m0', 'm10']],
            ],
            'sixty-four like ones end at once' => [array_fill(0, 64, 16.0), 1000, []],
        ];
    }

    /**
     * @param list<float>        $sizes
     * @param list<list<string>> $explanations
     */
    #[DataProvider('sums')]
    public function test_what_explains_a_difference(array $sizes, float $counted, array $explanations): void
    {
        $answer = self::put(
            new MemoryRoom(),
            'sum',
            [
                'modules' => array_map(static fn (int $i, float $kib): array => ['name' => "m{$i}", 'kib' => $kib], array_keys($sizes), $sizes),
                'counted_kib' => $counted,
            ],
        );
        self::assertSame($explanations, $answer['explanations']);
        self::assertEquals(array_sum($sizes) - $counted, $answer['difference_kib']);
    }

    /**
     * Public data sheets, from memory. @return array<string, array{string, string, string, list<int>, list<int>}> fitted, candidate, verdict, pins in
     * conflict, of them dangerous.
     */
    public static function sockets(): array
    {
        return [
            'the same' => ['4116', '4116', 'drop_in', [], []],
            'one supply into a socket of three' => ['4116', '4164', 'needs_rework', [1, 8, 9], [8, 9]],
            'three supplies into a socket of one' => ['4164', '4116', 'no', [1, 8, 9], [8, 9]],
            'a quarter megabit into a 64 K socket' => ['4164', '41256', 'needs_rework', [1], []],
            'chip select meets an address' => ['4027', '4116', 'needs_rework', [13], []],
            'larger static' => ['6264', '62256', 'needs_rework', [1, 26], []],
            'smaller static' => ['62256', '6264', 'no', [1, 26], []],
            'another width' => ['4164', '4464', 'no', [], []],
            'static for dynamic' => ['4116', '2102', 'no', [], []],
            'another package' => ['6116', '6264', 'no', [], []],
        ];
    }

    /**
     * @param list<int> $conflicts
     * @param list<int> $hazards
     */
    #[DataProvider('sockets')]
    public function test_which_chip_goes_into_which_socket(string $fitted, string $candidate, string $verdict, array $conflicts, array $hazards): void
    {
        $answer = self::put(new MemoryRoom(), 'fit', ['fitted' => $fitted, 'candidate' => $candidate]);
        /** @var list<array{pin: int, hazard: bool}> $pins */
        $pins = $answer['pin_conflicts'];
        self::assertSame([$verdict, $conflicts], [$answer['verdict'], array_column($pins, 'pin')]);
        self::assertSame($hazards, array_column(array_filter($pins, static fn (array $it): bool => $it['hazard']), 'pin'));
        self::assertNotSame([], $answer['reasons']);
    }

    public function test_speed_is_judged_with_both_access_times_only(): void
    {
        $fit = static fn (array $more): mixed => self::put(new MemoryRoom(), 'fit', ['fitted' => '4164', 'candidate' => '4164', ...$more])['verdict'];
        self::assertSame(
            ['drop_in', 'drop_in', 'no', 'drop_in'],
            [
                $fit(['required_access_ns' => 150]),
                $fit(['required_access_ns' => 150, 'candidate_access_ns' => 150]),
                $fit(['required_access_ns' => 150, 'candidate_access_ns' => 200]),
                $fit(['required_access_ns' => 150, 'candidate_access_ns' => 100]),
            ],
        );
    }

    public function test_bad_input_is_refused_with_its_place(): void
    {
        $room = new MemoryRoom();
        self::assertRefusedAt('/errors', $room, 'soak', ['passes' => 3, 'errors' => 4]);
        self::assertRefusedAt('/passes', $room, 'soak', ['passes' => 0, 'errors' => 0]);
        self::assertRefusedAt('/confidence', $room, 'soak', ['passes' => 3, 'errors' => 0, 'confidence' => 1]);
        self::assertRefusedAt('/target_rate', $room, 'soak', ['passes' => 3, 'errors' => 0, 'target_rate' => 0]);
        self::assertRefusedAt('/modules/1/name', $room, 'sum', ['modules' => [['name' => 'a', 'kib' => 1], ['name' => 'a', 'kib' => 1]], 'counted_kib' => 1]);
        self::assertRefusedAt('/modules/0/kib', $room, 'sum', ['modules' => [['name' => 'a', 'kib' => 0]], 'counted_kib' => 1]);
        self::assertRefusedAt('/candidate', $room, 'fit', ['fitted' => '4116', 'candidate' => '555']);
    }
}
