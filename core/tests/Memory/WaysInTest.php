<?php

declare(strict_types=1);

namespace Ash\Tests\Memory;

use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Memory\Bank;
use Ash\Memory\BitErrors;
use Ash\Memory\Chip;
use Ash\Memory\FittedMemory;
use Ash\Memory\Located;
use Ash\Memory\Locator;
use Ash\Memory\Map;
use Ash\Memory\MemoryRoom;
use Ash\Memory\Pattern;
use Ash\Memory\RowsOfChips;
use Ash\Memory\Seen;
use Ash\Memory\Swap;
use Ash\Memory\SwapVerdict;
use Ash\Memory\Transcript;
use Ash\Quantity\Radix;
use Ash\Tests\Asks;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Properties: the same errors say the same, whichever way they come in; maps and exchanges hold on random memories. */
final class WaysInTest extends TestCase
{
    use Asks;

    /** @return array<string, mixed> */
    private static function randomMap(Randomizer $random): array
    {
        $chip = ['4116', '4164', '4464', '2114'][$random->getInt(0, 3)];
        $bits = [8, 12, 16, 18, 36][$random->getInt(0, 4)];
        $words = ['4116' => 16384, '4164' => 65536, '4464' => 65536, '2114' => 1024][$chip];
        $parity = $random->getInt(0, 1) === 1;
        $rows = array_map(
            static fn (int $b): array => [
                'name' => "b{$b}",
                'start' => dechex($b * $words),
                'first' => 'U'.($b * 60 + 1),
                'bit_0' => ['first', 'last'][$random->getInt(0, 1)],
                'parity' => $parity,
            ],
            range(0, $random->getInt(1, 4)),
        );

        return RowsOfChips::map(Node::parse(json_encode(['word_bits' => $bits, 'chip' => $chip, 'rows' => $rows], JSON_THROW_ON_ERROR)));
    }

    public function test_made_maps_give_every_bit_once_and_every_address_one_bank(): void
    {
        $random = new Randomizer(new Mt19937(1));
        for ($i = 0; $i < 60; ++$i) {
            $map = Map::read(Node::parse(json_encode(self::randomMap($random), JSON_THROW_ON_ERROR)));
            foreach ($map->banks as $bank) {
                $bits = array_merge(...array_map(static fn (Chip $chip): array => $chip->bits, $bank->chips));
                sort($bits);
                self::assertSame([...range(0, $map->wordBits - 1), ...($bank->parity ? [Bank::P] : [])], $bits);
            }
            for ($n = 0; $n < 20; ++$n) {
                $address = $random->getInt($map->lowest(), $map->highest());
                $bank = $map->banks[$map->bankAt($address) ?? self::fail("no bank at {$address}")];
                self::assertSame($address, $bank->address($bank->cell($address)));
            }
        }
    }

    public function test_a_document_a_csv_and_a_console_say_the_same_of_the_same_errors(): void
    {
        $random = new Randomizer(new Mt19937(7));
        for ($i = 0; $i < 40; ++$i) {
            $document = self::randomMap($random);
            $map = Map::read(Node::parse(json_encode($document, JSON_THROW_ON_ERROR)));
            $errors = [];
            for ($n = $random->getInt(1, 40); $n > 0; --$n) {
                $word = $random->getInt(0, (1 << min(30, $map->wordBits)) - 1);
                $errors[] = [$random->getInt($map->lowest(), $map->highest() + 1000), $word, $word ^ 1 << $random->getInt(0, min(30, $map->wordBits) - 1)];
            }
            $hex = array_map(static fn (array $it): array => array_map(Radix::Hexadecimal->format(...), $it), $errors);
            $json = self::put(
                new MemoryRoom(),
                'locate',
                ['map' => $document, 'errors' => array_map(static fn (array $it): array => array_combine(['address', 'expected', 'actual'], $it), $hex)],
            );
            $verb = (new MemoryRoom())->verbs()['locate'];
            $csv = json_decode(
                $verb->answer(
                    json_encode(['map' => $document], JSON_THROW_ON_ERROR),
                    ['errors' => ["address,expected,actual\r\n", ...array_map(static fn (array $it): string => implode(',', $it)."\r\n", $hex)]],
                ),
                true,
            );
            self::assertSame($json, $csv);

            $shape = [
                static fn (array $it): string => "0x{$it[0]} 0x{$it[1]} 0x{$it[2]}",
                static fn (array $it): string => "ERR @0x{$it[0]} W=0x{$it[1]} R=0x{$it[2]}",
                static fn (array $it): string => "read \${$it[2]} at \${$it[0]}, expected \${$it[1]}",
            ][$i % 3];
            $locator = new Locator($map, array_fill(0, count($map->banks), true), Pattern::None);
            $transcript = new Transcript($map, $locator, $map->radix);
            array_map($transcript->line(...), array_map($shape, $hex));
            self::assertSame(count($errors), $transcript->recognised, json_encode($transcript->left, JSON_THROW_ON_ERROR));
            self::assertEquals(
                $json,
                json_decode(json_encode(Shape::of(Located::class)->whole(Located::of($map, $locator, Pattern::None)), JSON_THROW_ON_ERROR), true),
            );
        }
    }

    public function test_a_chip_that_is_bad_is_confirmed_by_its_exchange_and_a_bad_socket_is_not(): void
    {
        $random = new Randomizer(new Mt19937(11));
        $judged = 0;
        for ($i = 0; $i < 120; ++$i) {
            $memory = FittedMemory::read(Node::parse(json_encode(['key' => 'm', 'name' => 'M', 'map' => self::randomMap($random)], JSON_THROW_ON_ERROR)));
            $bank = $memory->map->banks[$random->getInt(0, count($memory->map->banks) - 1)];
            $chip = $bank->chips[$random->getInt(0, count($bank->chips) - 1)];
            $bad = array_values(array_filter(array_keys($chip->bits), static fn (): bool => $random->getInt(0, 1) === 1)) ?: [0];
            $errors = static fn (string $where, array $bits): Seen => Seen::of(
                $memory->map,
                array_map(static fn (int $bit): BitErrors => new BitErrors($where, $bit === Bank::P ? 'P' : $bit, 3), $bits),
            );
            $before = $errors($bank->name, array_map(static fn (int $k): int => $chip->bits[$k], $bad));
            $swap = Swap::suggest($memory, $chip->ref, $before);
            if ($swap === null) {
                continue;
            }
            [$b, $c] = $memory->map->byRef["\0{$swap->to}"];
            $there = $memory->map->banks[$b];
            $moved = $errors($there->name, array_map(static fn (int $k): int => $there->chips[$c]->bits[$k], $bad));
            self::assertSame(
                [SwapVerdict::Confirmed, SwapVerdict::Stayed, SwapVerdict::Gone],
                array_map(static fn (Seen $after): SwapVerdict => $swap->judge($before, $after)[0], [$moved, $before, $errors($bank->name, [])]),
            );
            ++$judged;
        }
        self::assertGreaterThan(90, $judged);
    }

    /** @return array<string, array{array<string, mixed>, string, string}> more of the document, text of rank 1, what settles it */
    public static function open(): array
    {
        $bank = static fn (string $name, string $start, string ...$refs): array => [
            'name' => $name,
            'start' => $start,
            'words' => 16384,
            'row_bits' => 7,
            'column_bits' => 7,
            'chips' => array_map(static fn (string $ref, int $i): array => ['ref' => $ref, 'bits' => [$i]], $refs, array_keys($refs)),
        ];
        $wide = ['name' => 'w', 'start' => '0', 'words' => 1024, 'chips' => [['ref' => 'U1', 'bits' => [0, 1, 2, 3]]]];

        return [
            'chip or data line, with one bank' => [
                ['map' => ['word_bits' => 4, 'banks' => [$bank('0', '0', 'U1', 'U2', 'U3', 'U4')]], 'errors' => [['address' => '10', 'xor' => '2']]],
                'chip U2',
                'exchange U2 with a neighbour',
            ],
            'chip or its bank, when it is the whole word' => [
                [
                    'map' => [
                        'word_bits' => 4,
                        'banks' => [$wide, ['start' => '400', 'name' => 'x', 'chips' => [['ref' => 'U2', 'bits' => [0, 1, 2, 3]]]] + $wide],
                    ],
                    'errors' => [['ref' => 'U1']],
                ],
                'chip U1',
                'exchange U1 with one of a good bank',
            ],
            'one output or the chip' => [
                [
                    'map' => [
                        'word_bits' => 2,
                        'banks' => [
                            ['name' => '0', 'start' => '0', 'words' => 1024, 'chips' => [['ref' => 'U1', 'bits' => [0, 1]]]],
                            ['name' => '1', 'start' => '400', 'words' => 1024, 'chips' => [['ref' => 'U2', 'bits' => [0, 1]]]],
                        ],
                    ],
                    'errors' => [['bank' => '0', 'bit' => 0]],
                ],
                'chip U1, bit 0',
                'run more passes',
            ],
        ];
    }

    /** @param array<string, mixed> $document */
    #[DataProvider('open')]
    public function test_an_open_case_names_the_test_that_settles_it(array $document, string $called, string $settles): void
    {
        /** @var array{suspects: list<array{called: string, against: string, probability: float}>, reasons: list<string>} $found */
        $found = self::put(new MemoryRoom(), 'locate', $document);
        self::assertSame($called, $found['suspects'][0]['called']);
        if (count($found['suspects']) > 1 && $found['suspects'][1]['probability'] > $found['suspects'][0]['probability'] / 10) {
            self::assertStringContainsString($settles, implode('; ', $found['reasons']));
        } else {
            self::assertStringNotContainsString('not settled', implode('; ', $found['reasons']));
        }
    }

    public function test_what_speaks_against_a_suspect_is_said_with_its_place(): void
    {
        $banks = array_map(
            static fn (int $b): array => [
                'name' => (string) $b,
                'start' => dechex($b << 14),
                'words' => 16384,
                'chips' => array_map(static fn (int $i): array => ['ref' => "U{$b}{$i}", 'bits' => [$i]], range(0, 7)),
            ],
            [0, 1],
        );
        /** @var array{suspects: list<array{kind: string, against: string}>} $found */
        $found = self::put(
            new MemoryRoom(),
            'locate',
            ['map' => ['word_bits' => 8, 'banks' => $banks], 'errors' => [['bank' => '0', 'bit' => 2], ['bank' => '1', 'bit' => 5]]],
        );
        $by = array_column($found['suspects'], 'against', 'kind');
        self::assertSame('nothing', $by['several_chips'] ?? null);
        /** @var array{suspects: list<array{kind: string, against: string}>} $found */
        $found = self::put(
            new MemoryRoom(),
            'locate',
            ['map' => ['word_bits' => 8, 'banks' => $banks], 'errors' => array_map(static fn (int $bit): array => ['bank' => '0', 'bit' => $bit], range(0, 6))],
        );
        self::assertSame(
            ['bank', '1 of 8 bits that it would spoil show nothing: bank 0 bit 7'],
            [$found['suspects'][0]['kind'], $found['suspects'][0]['against']],
        );
    }
}
