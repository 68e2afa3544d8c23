<?php

declare(strict_types=1);

namespace Ash\Tests\Rails;

use Ash\Document\InvalidDocument;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PathTest extends TestCase
{
    use Bench;
    use TestTrait;

    /**
     * @param array<string, bool>      $readings
     * @param array<string, int|float> $weights
     *
     * @return array<string, mixed>
     */
    private static function walk(int $points, array $readings, array $weights = []): array
    {
        $names = array_map(static fn (int $i): string => "p{$i}", range(0, $points - 1));

        return self::ask('path', [
            'points' => array_map(
                static fn (string $name): array => ['name' => $name, ...(isset($weights[$name]) ? ['weight' => $weights[$name]] : [])],
                $names,
            ),
            'readings' => array_map(static fn (string $name, bool $good): array => ['point' => $name, 'good' => $good], array_keys($readings), $readings),
        ]);
    }

    public function test_equal_weights_take_the_logarithm_and_always_find_the_fault(): void
    {
        $this->forAll(Generators::choose(2, 40), Generators::choose(0, 1000))->then(static function (int $points, int $pick): void {
            $fault = 1 + $pick % ($points - 1);
            $first = self::walk($points, []);
            self::assertSame((int) ceil(log($points - 1, 2)), $first['worst_case_probes']);
            $known = [];
            for ($answer = $first; $answer['next_point'] !== null; $answer = self::walk($points, $known)) {
                self::assertIsString($answer['next_point']);
                $known[$answer['next_point']] = (int) substr($answer['next_point'], 1) < $fault;
                self::assertLessThanOrEqual($first['worst_case_probes'], count($known));
            }
            self::assertSame(['p'.($fault - 1), "p{$fault}"], $answer['fault_between']);
            self::assertSame(1, $answer['segments_left']);
            self::assertSame(0, $answer['worst_case_probes']);
        });
    }

    public function test_weights_draw_the_probe_towards_what_fails_often(): void
    {
        self::assertSame('p2', self::walk(5, [])['next_point']);
        self::assertSame('p1', self::walk(5, [], ['p1' => 3])['next_point']);
        self::assertSame('p3', self::walk(5, [], ['p4' => 10])['next_point']);
        self::assertSame(3, self::walk(5, [], ['p1' => 6])['worst_case_probes']);
        self::assertSame('p1', self::walk(4, [])['next_point'], 'ties: the earlier');
    }

    /** @return array<string, array{array<string, bool>, bool}> */
    public static function nothingToSearch(): array
    {
        return [
            'the first is bad' => [['p0' => false], false],
            'the last is good' => [['p4' => true], false],
            'good behind bad' => [['p1' => false, 'p3' => true], true],
            'good behind the first, which is bad' => [['p0' => false, 'p3' => true], true],
            'the last is good behind bad' => [['p1' => false, 'p4' => true], true],
            'bad behind the first, which is bad' => [['p0' => false, 'p3' => false], false],
            'good before the last, which is good' => [['p1' => true, 'p4' => true], false],
        ];
    }

    /** @param array<string, bool> $readings */
    #[DataProvider('nothingToSearch')]
    public function test_nothing_to_search_is_said_with_its_reason(array $readings, bool $contradiction): void
    {
        $answer = self::walk(5, $readings);
        self::assertSame(
            [null, null, 0, 0, $contradiction],
            [$answer['fault_between'], $answer['next_point'], $answer['segments_left'], $answer['worst_case_probes'], $answer['contradiction']],
        );
        self::assertNotSame([], $answer['reasons']);
    }

    /** @return array<string, array{array<string, mixed>, string}> */
    public static function refused(): array
    {
        $two = [['name' => 'a'], ['name' => 'b']];

        return [
            'one point' => [['points' => [['name' => 'a']], 'readings' => []], '/points'],
            'a name twice' => [['points' => [['name' => 'a'], ['name' => 'a']], 'readings' => []], '/points/1/name'],
            'an unknown point' => [['points' => $two, 'readings' => [['point' => 'c', 'good' => true]]], '/readings/0/point'],
            'good as a word' => [['points' => $two, 'readings' => [['point' => 'a', 'good' => 'yes']]], '/readings/0/good'],
            'negative weight' => [['points' => [['name' => 'a'], ['name' => 'b', 'weight' => -1]], 'readings' => []], '/points/1/weight'],
        ];
    }

    /** @param array<string, mixed> $document */
    #[DataProvider('refused')]
    public function test_bad_input(array $document, string $pointer): void
    {
        try {
            self::ask('path', $document);
            self::fail('was taken');
        } catch (InvalidDocument $fault) {
            self::assertSame($pointer, $fault->pointer);
        }
    }
}
