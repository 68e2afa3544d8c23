<?php

declare(strict_types=1);

namespace Ash\Tests\Memory;

use Ash\Cli\Door;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Memory\ErrorReader;
use Ash\Memory\Locator;
use Ash\Memory\Map;
use Ash\Memory\MemoryRoom;
use Ash\Memory\Pattern;
use Ash\Rooms;
use Ash\Tests\Asks;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * @phpstan-type Found array{
 *     suspects: list<array{
 *         rank: int, kind: string, ref: ?string, refs: list<string>, bank: ?string, bits: list<int|string>,
 *         address_bits: list<int>, explains: float, probability: float, text: string, action: string,
 *     }>,
 *     matrix: list<array{bank: string, bit: int|string, errors: int}>,
 *     errors: int,
 *     unmapped: int,
 *     unexplained: int,
 *     reasons: list<string>,
 * }
 */
final class LocateTest extends TestCase
{
    use Asks;

    private const NIBBLE = ['word_bits' => 4, 'banks' => [['name' => '0', 'start' => '0', 'words' => 256, 'chips' => [
        ['ref' => 'U1', 'bits' => [0]], ['ref' => 'U2', 'bits' => [1]], ['ref' => 'U3', 'bits' => [2]], ['ref' => 'U4', 'bits' => [3]],
    ]]]];

    /**
     * @param array<string, mixed> $document
     *
     * @return Found
     */
    private static function locate(array $document): array
    {
        /** @var Found $found */
        $found = self::put(new MemoryRoom(), 'locate', $document);

        return $found;
    }

    /**
     * Two banks of 8 one-bit chips with parity, 64 words each: U10 to U17 with U18, U20 to U27 with U28.
     *
     * @param array<string, mixed> $more for each bank
     *
     * @return array<string, mixed>
     */
    private static function byte(array $more = [], string $technology = 'dram'): array
    {
        $bank = static fn (int $n, string $start): array => ['name' => (string) $n, 'start' => $start, 'words' => 64, 'parity' => ['ref' => 'U'.($n * 10 + 8)],
            'chips' => array_map(
                static fn (int $bit): array => ['ref' => 'U'.($n * 10 + $bit), 'bits' => [$bit], 'alias' => 'D'.($n * 10 + $bit)],
                range(0, 7),
            )] + $more;

        return ['word_bits' => 8, 'technology' => $technology, 'banks' => [$bank(1, '0'), $bank(2, '40')]];
    }

    /** A quote that is never closed would take the rest of the file into one field, and a file without line breaks into one row. */
    public function test_a_row_has_an_end(): void
    {
        $rows = static function (string $head, string $line, int $count, string $first = ''): \Generator {
            yield $head;
            if ($first !== '') {
                yield $first;
            }
            for ($i = 0; $i < $count; ++$i) {
                yield $line;
            }
        };
        $map = Map::read(Node::of(json_decode(json_encode(self::NIBBLE, JSON_THROW_ON_ERROR), false)));
        foreach ([
            'a quote' => $rows("address,xor\n", "30,4\n", 1_000_000, "\"20,2\n"),
            'no end' => $rows("address,xor\n", str_repeat('0', 1000), 1_000_000, '0'),
            'no header' => $rows(str_repeat('x', 70_000), '', 1),
        ] as $what => $lines) {
            $locator = new Locator($map, [true], Pattern::None);
            try {
                (new ErrorReader($map, $locator))->csv($lines);
                self::fail("{$what} was taken");
            } catch (InvalidDocument $fault) {
                self::assertContains($fault->pointer, ['/errors', '/errors/0', '/errors/1'], $fault->detail);
            }
            self::assertTrue($lines->valid(), "{$what}: the rest was not read");
        }
    }

    /** The handbook's model written out for four one-bit chips with bit 2 seen. */
    public function test_posterior_is_that_of_the_model_worked_by_hand(): void
    {
        $found = self::locate([
            'map' => self::NIBBLE,
            'errors' => [['address' => '10', 'xor' => '4'], ['address' => '0x2f', 'expected' => 'F', 'actual' => 'B']],
        ]);
        $one = 0.98 * 0.999 ** 3;
        $other = 0.02 * 0.001 * 0.999 ** 2;
        $whole = 0.98 * 0.02 ** 3;
        $sum = 10 * $one + 2 * $one + 3 * (10 + 2) * $other + (3 + 2) * $whole;
        self::assertSame(['chip', 'data_line'], array_column($found['suspects'], 'kind'));
        self::assertEqualsWithDelta(10 * $one / $sum, $found['suspects'][0]['probability'], 1e-12);
        self::assertEqualsWithDelta(2 * $one / $sum, $found['suspects'][1]['probability'], 1e-12);
        self::assertSame(
            ['U3', ['U3'], '0', [2], 1],
            [
                $found['suspects'][0]['ref'],
                $found['suspects'][0]['refs'],
                $found['suspects'][0]['bank'],
                $found['suspects'][0]['bits'],
                $found['suspects'][0]['rank'],
            ],
        );
        self::assertEquals(1, $found['suspects'][0]['explains']);
        self::assertSame([['bank' => '0', 'bit' => 2, 'errors' => 2]], $found['matrix']);
        self::assertSame([2, 0, 0], [$found['errors'], $found['unmapped'], $found['unexplained']]);
    }

    public function test_two_chips_beat_the_bank_by_their_prior(): void
    {
        $found = self::locate(['map' => self::NIBBLE, 'errors' => [['address' => '1', 'xor' => '3'], ['address' => '2', 'xor' => '2']]]);
        $several = 10 * 0.01 * 0.98 ** 2 * 0.999 ** 2;
        $chip = 10 * 0.98 * 0.001 * 0.999 ** 2;
        $line = 2 * 0.98 * 0.001 * 0.999 ** 2;
        $whole = 0.98 ** 2 * 0.02 ** 2;
        $away = 0.02 * 0.001 ** 2 * 0.999;
        $sum = $several + 2 * ($chip + $line) + 5 * $whole + 2 * 12 * $away;
        self::assertSame('several_chips', $found['suspects'][0]['kind']);
        self::assertSame(['U1', 'U2'], $found['suspects'][0]['refs']);
        self::assertEqualsWithDelta($several / $sum, $found['suspects'][0]['probability'], 1e-12);
        self::assertSame(['chip', 'chip'], [$found['suspects'][1]['kind'], $found['suspects'][2]['kind']]);
        self::assertSame(['U1', 'U2'], [$found['suspects'][1]['ref'], $found['suspects'][2]['ref']], 'equal ones in map order');
        self::assertEquals(0.5, $found['suspects'][2]['explains'], 'U2 alone explains the second error');
    }

    /** @return array<string, array{array<string, mixed>, string, ?string, list<int|string>}> errors named as a machine names them, and what is wrong */
    public static function faults(): array
    {
        $bits = static fn (string $bank, array $bits): array => array_map(static fn (int|string $bit): array => ['bank' => $bank, 'bit' => $bit], $bits);

        return [
            'a line in both banks' => [['errors' => [...$bits('1', [5]), ...$bits('2', [5])]], 'data_line', null, [5]],
            'the parity line' => [['errors' => [...$bits('1', ['P']), ...$bits('2', ['P'])]], 'data_line', null, ['P']],
            'one bank whole' => [['errors' => $bits('2', [0, 1, 2, 3, 4, 5, 6, 7, 'P'])], 'bank', null, []],
            'one bank whole, its parity hidden' => [['errors' => $bits('2', [0, 1, 2, 3, 4, 5, 6, 7])], 'bank', null, []],
            'everything' => [['errors' => [...$bits('1', [0, 1, 2, 3, 4, 5, 6, 7]), ...$bits('2', [0, 1, 2, 3, 4, 5, 6, 7])]], 'everything', null, []],
            'a parity chip, the data being good' => [['errors' => [['bank' => '2', 'bit' => 'P']]], 'chip', 'U28', ['P']],
            'a chip by its alias' => [['errors' => [['ref' => 'D13']]], 'chip', 'U13', [3]],
            'a chip by name' => [['errors' => [['ref' => 'U13']]], 'chip', 'U13', [3]],
            'a chip when the other bank was not tested' => [['errors' => [['address' => '5', 'xor' => '80']], 'tested' => ['1']], 'chip', 'U17', [7]],
            'bits as text' => [['errors' => [['bank' => '1', 'bit' => '3']]], 'chip', 'U13', [3]],
        ];
    }

    /**
     * @param array<string, mixed> $document
     * @param list<int|string>     $bits
     */
    #[DataProvider('faults')]
    public function test_each_kind_is_found(array $document, string $kind, ?string $ref, array $bits): void
    {
        $top = self::locate(['map' => self::byte()] + $document)['suspects'][0];
        self::assertSame([$kind, $ref, $bits], [$top['kind'], $top['ref'], $top['bits']]);
        self::assertEquals(1, $top['explains']);
        self::assertGreaterThan(0.5, $top['probability']);
    }

    public function test_one_output_of_a_wide_chip_is_a_part(): void
    {
        $map = [
            'word_bits' => 8,
            'technology' => 'sram',
            'banks' => [
                ['name' => 'A', 'start' => '0', 'words' => 1024, 'chips' => [['ref' => 'U1', 'bits' => [0, 1, 2, 3]], ['ref' => 'U2', 'bits' => [4, 5, 6, 7]]]],
            ],
        ];
        $top = self::locate(['map' => $map, 'errors' => [['address' => '3FF', 'xor' => '20']]])['suspects'][0];
        self::assertSame(['chip_part', 'U2', [5]], [$top['kind'], $top['ref'], $top['bits']]);
        $top = self::locate(['map' => $map, 'errors' => [['address' => '3FF', 'xor' => 'F0']]])['suspects'][0];
        self::assertSame(['chip', 'U2', [4, 5, 6, 7]], [$top['kind'], $top['ref'], $top['bits']]);
        self::assertStringContainsString('in one cell, 1023', $top['text']);
    }

    public function test_parity_is_judged_only_where_no_data_error_hides_it(): void
    {
        $map = [
            'word_bits' => 1,
            'banks' => [['name' => '0', 'start' => '0', 'words' => 4, 'chips' => [['ref' => 'D', 'bits' => [0]]], 'parity' => ['ref' => 'P']]],
        ];
        $found = self::locate(['map' => $map, 'errors' => [['address' => '0', 'xor' => '1']]]);
        // Only the pair (0, 0) counts: chip, line, bank and everything predict it alike, the parity chip and line do not.
        $sum = (10 + 2 + 3 + 2) * 0.98 + (10 + 2) * 0.001;
        self::assertEqualsWithDelta(9.8 / $sum, $found['suspects'][0]['probability'], 1e-12);
        self::assertSame(['chip', 'bank', 'data_line', 'everything'], array_column($found['suspects'], 'kind'));
    }

    public function test_errors_outside_are_unmapped_and_those_on_no_pair_unexplained(): void
    {
        $found = self::locate(['map' => self::byte(), 'tested' => ['1'], 'errors' => [
            ['address' => '0', 'xor' => '1'], ['address' => '40', 'xor' => '1'], ['address' => '80', 'xor' => '1'],
            ['address' => '2', 'xor' => '0'], ['ref' => 'U21'], ['address' => '7FFFFFFFFFFFFFFF', 'kind' => 'parity'],
        ]]);
        self::assertSame([6, 4, 1], [$found['errors'], $found['unmapped'], $found['unexplained']]);
        self::assertEqualsWithDelta(1 / 6, $found['suspects'][0]['explains'], 1e-12);
        $none = self::locate(['map' => self::byte(), 'errors' => [['address' => '80', 'xor' => '1'], ['address' => '1', 'xor' => '0']]]);
        self::assertSame([[], [], 2, 1, 1], [$none['suspects'], $none['matrix'], $none['errors'], $none['unmapped'], $none['unexplained']]);
        self::assertSame([], self::locate(['map' => self::byte(), 'errors' => []])['suspects']);
    }

    /** @return array<string, array{list<string>, string}> addresses of one chip's errors in a bank of 8 rows by 8 columns */
    public static function places(): array
    {
        return [
            'cell' => [['9', '9'], 'in one cell, 9'], 'row' => [['10', '13', '17'], 'in one row, 2'], 'column' => [['3', 'B', '3B'], 'in one column, 3'],
            // Of 6 cell bits one stays the same by chance at 8 addresses in 1-(1-2^-7)^6 = 4.6 of 100 cases, at 7 in 9.
            'lower half' => [['0', '1F', '8', '11', '2', '14', '7', '1A'], 'in one half: cell bit 5 is always 0'],
            'upper half' => [['20', '3F', '28', '31', '22', '34', '27', '3A'], 'in one half: cell bit 5 is always 1'],
            'perhaps by chance' => [['0', '1F', '8', '11', '2', '14', '7', '7'], 'everywhere'],
            'everywhere' => [['0', '3F', '15'], 'everywhere'],
        ];
    }

    /** @param list<string> $addresses */
    #[DataProvider('places')]
    public function test_the_text_says_where_in_the_chip(array $addresses, string $place): void
    {
        $top = self::locate([
            'map' => self::byte(['row_bits' => 3, 'column_bits' => 3]),
            'tested' => ['1'],
            'errors' => array_map(static fn (string $it): array => ['address' => $it, 'xor' => '4'], $addresses),
        ])['suspects'][0];
        self::assertStringContainsString($place, $top['text']);
        self::assertSame($place === 'everywhere', str_starts_with($top['action'], 'Reseat U12; then measure its supply pins'));
    }

    public function test_nouns_come_from_the_technology(): void
    {
        $text = static fn (string $technology): string => self::locate([
            'map' => self::byte(['row_bits' => 3, 'column_bits' => 3], $technology),
            'tested' => ['1'],
            'errors' => [['address' => '10', 'xor' => '4'], ['address' => '12', 'xor' => '4']],
        ])['suspects'][0]['text'];
        self::assertStringContainsString('Plane U12 in bank 1 (bit 2): its errors sit on one X line', $text('core'));
        self::assertStringContainsString('Chip U12 in bank 1 (bit 2): its errors sit in one row', $text('dram'));
    }

    public function test_a_bank_that_reads_one_constant_may_not_be_fitted(): void
    {
        $errors = array_map(
            static fn (int $address): array => ['address' => dechex($address), 'expected' => dechex($address ^ 0x2A), 'actual' => 'FF'],
            range(0x40, 0x7F),
        );
        $top = self::locate(['map' => self::byte(), 'errors' => $errors])['suspects'][0];
        self::assertSame('bank', $top['kind']);
        self::assertStringContainsString('reads FF: is it fitted at all?', $top['text']);
        $errors[] = ['address' => '41', 'expected' => '1', 'actual' => '2'];
        self::assertStringNotContainsString('fitted', self::locate(['map' => self::byte(), 'errors' => $errors])['suspects'][0]['text']);
    }

    /**
     * The pattern words. Those of mix worked with integers of any size; the constant: D. E. Knuth, The Art of Computer Programming, volume 3, 6.4 (from
     * memory).
     */
    public function test_pattern_words(): void
    {
        foreach ([
            [1, 8, 158],
            [2, 8, 60],
            [0xFFFF, 16, 56185],
            [0x12345678, 32, 4141252856],
            [0xFFFFFFFF, 32, 1640531535],
            [0x100000001, 8, 158],
        ] as [$address, $bits, $word]) {
            self::assertSame($word, Pattern::Mix->word($address, $bits), dechex($address));
        }
        foreach ([
            [Pattern::Mix, 1],
            [Pattern::Mix, 8],
            [Pattern::Mix, 32],
            [Pattern::Fold, 1],
            [Pattern::Fold, 7],
            [Pattern::Fold, 36],
            [Pattern::Fold, 63],
        ] as [$pattern, $bits]) {
            foreach ([0, 0x1A3F, 0xFFFFFFFF, 0x123456789ABCDEF] as $address) {
                self::assertSame(
                    array_map(static fn (int $k): int => $pattern->word($address ^ (1 << $k), $bits), range(0, 59)),
                    $pattern->neighbours($address, $bits, 60),
                );
            }
        }
        self::assertSame(0x1 ^ 0x2 ^ 0x3, Pattern::Fold->word(0x123, 4));
        self::assertSame(0x7F ^ 0x1F, Pattern::Fold->word(0xFFF, 7));
        self::assertSame(0o1234, Pattern::Fold->word(0o1234, 63));
    }

    /**
     * Writes a whole memory ascending and reads it, with a wire that turns addresses into others: what a tester would report.
     *
     * @param \Closure(int): int $wire
     *
     * @return list<array{address: string, expected: string, actual: string}>
     */
    private static function tested(int $words, Pattern $pattern, \Closure $wire): array
    {
        $store = $errors = [];
        for ($address = 0; $address < $words; ++$address) {
            $store[$wire($address)] = $pattern->word($address, 8);
        }
        for ($address = 0; $address < $words; ++$address) {
            [$expected, $actual] = [$pattern->word($address, 8), $store[$wire($address)]];
            if ($expected !== $actual) {
                $errors[] = ['address' => dechex($address), 'expected' => dechex($expected), 'actual' => dechex($actual)];
            }
        }

        return $errors;
    }

    public function test_a_stuck_address_line_is_found_by_the_mix_pattern(): void
    {
        for ($k = 0; $k < 7; ++$k) {
            foreach ([static fn (int $it): int => $it & ~(1 << $k), static fn (int $it): int => $it | (1 << $k)] as $wire) {
                $found = self::locate(['map' => self::byte(), 'pattern' => 'mix', 'errors' => self::tested(128, Pattern::Mix, $wire)]);
                self::assertSame(['address_line', [$k]], [$found['suspects'][0]['kind'], $found['suspects'][0]['address_bits']], "line {$k}");
                self::assertGreaterThan(0.9, $found['suspects'][0]['probability']);
                self::assertSame(0, $found['unexplained']);
                self::assertStringContainsString('Follow the address line', $found['suspects'][0]['action']);
            }
        }
    }

    public function test_with_the_fold_pattern_a_line_stays_open_and_asks_for_mix(): void
    {
        $found = self::locate(['map' => self::byte(), 'pattern' => 'fold', 'errors' => self::tested(128, Pattern::Fold, static fn (int $it): int => $it & ~8)]);
        $line = array_values(array_filter($found['suspects'], static fn (array $it): bool => $it['kind'] === 'address_line'))[0];
        self::assertLessThan(0.9, $found['suspects'][0]['probability'], 'bit 3 of every word is wrong too: a data line imitates it');
        self::assertStringContainsString('mix pattern', $line['action']);
        $blind = self::locate(['map' => self::byte(), 'errors' => self::tested(128, Pattern::Fold, static fn (int $it): int => $it & ~8)]);
        self::assertNotContains('address_line', array_column($blind['suspects'], 'kind'), 'nothing is known without a pattern');
    }

    public function test_a_multiplexed_pin_ties_two_cell_bits(): void
    {
        $wire = static fn (int $it): int => $it & ~0b010010;
        $found = self::locate([
            'map' => self::byte(['row_bits' => 3, 'column_bits' => 3]),
            'pattern' => 'mix',
            'errors' => self::tested(128, Pattern::Mix, $wire),
        ]);
        self::assertSame(['address_line', [1, 4]], [$found['suspects'][0]['kind'], $found['suspects'][0]['address_bits']]);
        self::assertStringContainsString('pin', $found['suspects'][0]['text']);
        $static = self::locate([
            'map' => self::byte(['row_bits' => 3, 'column_bits' => 3], 'sram'),
            'pattern' => 'mix',
            'errors' => self::tested(128, Pattern::Mix, $wire),
        ]);
        self::assertNotContains('address_line', array_column($static['suspects'], 'kind'), 'static memory is not multiplexed');
    }

    public function test_three_matching_errors_are_too_few_for_a_line(): void
    {
        $errors = array_slice(self::tested(128, Pattern::Mix, static fn (int $it): int => $it & ~4), 0, 4);
        self::assertContains('address_line', array_column(self::locate(['map' => self::byte(), 'pattern' => 'mix', 'errors' => $errors])['suspects'], 'kind'));
        self::assertNotContains(
            'address_line',
            array_column(self::locate(['map' => self::byte(), 'pattern' => 'mix', 'errors' => array_slice($errors, 1)])['suspects'], 'kind'),
        );
    }

    public function test_interleaved_banks_own_their_addresses_and_squeeze_the_select_out(): void
    {
        $bank = static fn (string $name, string $value): array => [
            'name' => $name,
            'start' => '0',
            'words' => 8,
            'select' => ['mask' => '2', 'value' => $value],
            'chips' => [['ref' => "U{$name}", 'bits' => [0]]],
        ];
        $map = ['word_bits' => 1, 'banks' => [$bank('even', '0'), $bank('odd', '2')]];
        // 1101 without bit 1 is cell 111; 1111 lies in the other bank.
        $found = self::locate(['map' => $map, 'errors' => [['address' => 'D', 'xor' => '1']]]);
        self::assertSame(['Ueven', 1], [$found['suspects'][0]['ref'], $found['matrix'][0]['errors']]);
        self::assertStringContainsString('in one cell, 7', $found['suspects'][0]['text']);
        self::assertSame('Uodd', self::locate(['map' => $map, 'errors' => [['address' => 'F', 'xor' => '1']]])['suspects'][0]['ref']);
        self::assertSame(1, self::locate(['map' => $map, 'errors' => [['address' => '10', 'xor' => '1']]])['unmapped']);
    }

    public function test_octal_maps_and_marks(): void
    {
        $map = ['radix' => 8] + self::NIBBLE;
        $found = self::locate(['map' => $map, 'errors' => [['address' => '0o377', 'xor' => '10']]]);
        self::assertSame('U4', $found['suspects'][0]['ref']);
        self::assertRefusedAt('/errors/0/address', new MemoryRoom(), 'locate', ['map' => $map, 'errors' => [['address' => '0x10', 'xor' => '1']]]);
        self::assertRefusedAt('/errors/0/xor', new MemoryRoom(), 'locate', ['map' => $map, 'errors' => [['address' => '10', 'xor' => '20']]]);
    }

    /** @return array<string, array{string, array<string, mixed>}> where it is refused, and what replaces the members of a good document */
    public static function refused(): array
    {
        $bank = self::NIBBLE['banks'][0];
        $map = static fn (array ...$banks): array => ['map' => ['word_bits' => 4, 'banks' => array_map(static fn (array $it): array => $it + $bank, $banks)]];
        $other = ['name' => '1', 'chips' => [['ref' => 'U9', 'bits' => [0]]]];
        $error = static fn (array $error): array => ['errors' => [$error]];

        return [
            'overlap' => ['/map/banks/1', $map([], $other + ['start' => 'FF'])],
            'overlap of a selected bank' => ['/map/banks/1', $map([], $other + ['select' => ['mask' => '1', 'value' => '1'], 'words' => 4])],
            'a bank name twice' => ['/map/banks/1/name', $map([], ['name' => '0', 'start' => '100'] + $other)],
            'a bit twice' => ['/map/banks/0/chips/1/bits/0', $map(['chips' => [['ref' => 'A', 'bits' => [0]], ['ref' => 'B', 'bits' => [0]]]])],
            'a bit too high' => ['/map/banks/0/chips/0/bits/0', $map(['chips' => [['ref' => 'A', 'bits' => [4]]]])],
            'a value outside its mask' => ['/map/banks/0/select/value', $map(['select' => ['mask' => '1', 'value' => '2']])],
            'a start not aligned' => ['/map/banks/0/start', $map(['start' => '2', 'select' => ['mask' => '2', 'value' => '2']])],
            'rows without columns' => ['/map/banks/0/column_bits', $map(['row_bits' => 4])],
            'rows and columns against words' => ['/map/banks/0/words', $map(['row_bits' => 4, 'column_bits' => 3])],
            'an address too wide' => ['/map/banks/0/start', $map(['start' => '7FFFFFFFFFFFFFFF'])],
            'words beyond the addresses' => ['/map/banks/0/words', $map(['start' => 'FFFFFFFFFFFFFFF'])],
            'no bank' => ['/map/banks', ['map' => ['word_bits' => 4, 'banks' => []]]],
            'a word of 64 bits' => ['/map/word_bits', ['map' => ['word_bits' => 64] + self::NIBBLE]],
            'mix beyond 32 bits' => ['/pattern', ['map' => ['word_bits' => 33] + self::NIBBLE, 'pattern' => 'mix']],
            'a radix' => ['/map/radix', ['map' => ['radix' => 12] + self::NIBBLE]],
            'a technology' => ['/map/technology', ['map' => ['technology' => 'drum'] + self::NIBBLE]],
            'tested twice' => ['/tested/1', ['tested' => ['0', '0']]],
            'an unknown tested bank' => ['/tested/0', ['tested' => ['7']]],
            'a word too wide' => ['/errors/0/actual', $error(['address' => '0', 'expected' => '0', 'actual' => '10'])],
            'a number where text belongs' => ['/errors/0/address', $error(['address' => 10, 'xor' => '1'])],
            'no actual' => ['/errors/0/actual', $error(['address' => '0', 'expected' => '0'])],
            'no expected' => ['/errors/0/expected', $error(['address' => '0', 'actual' => '0'])],
            'kind beside xor' => ['/errors/0/kind', $error(['address' => '0', 'xor' => '1', 'kind' => 'parity'])],
            'xor beside expected' => ['/errors/0/xor', $error(['address' => '0', 'xor' => '1', 'expected' => '0', 'actual' => '1'])],
            'another kind' => ['/errors/0/kind', $error(['address' => '0', 'kind' => 'data'])],
            'an unknown bank' => ['/errors/0/bank', $error(['bank' => '9', 'bit' => 0])],
            'an unknown bit' => ['/errors/0/bit', $error(['bank' => '0', 'bit' => 4])],
            'parity where there is none' => ['/errors/0/bit', $error(['bank' => '0', 'bit' => 'P'])],
            'an unknown chip' => ['/errors/0/ref', $error(['ref' => 'U99'])],
            'an unknown field' => ['/errors/0/note', $error(['ref' => 'U1', 'note' => 'x'])],
            'nothing in it' => ['/errors/0', $error([])],
        ];
    }

    /** @param array<string, mixed> $changed */
    #[DataProvider('refused')]
    public function test_bad_documents_are_refused_at_the_field(string $pointer, array $changed): void
    {
        self::assertRefusedAt($pointer, new MemoryRoom(), 'locate', $changed + ['map' => self::NIBBLE, 'errors' => []]);
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array{int, string, string}
     */
    private static function door(string $csv, array $document = ['map' => self::NIBBLE]): array
    {
        return (new Door(...Rooms::all()))->open(
            ['memory', 'locate', '--errors', 'errors.csv'],
            static fn (): string => json_encode($document, JSON_THROW_ON_ERROR),
            static fn (): array => preg_split('/(?<=\n)/', $csv, -1, PREG_SPLIT_NO_EMPTY) ?: [],
        );
    }

    public function test_csv_says_the_same_as_the_document(): void
    {
        $errors = [['address' => '10', 'expected' => '0', 'actual' => '4'], ['address' => '11', 'xor' => '4'], ['bank' => '0', 'bit' => 2], ['ref' => 'U3']];
        [$status, $out] = self::door("\u{FEFF}address,expected,actual,xor,bank,bit,ref\r\n10,0,4,,,,\r\n\"11\",,,4,,,\r\n,,,,0,2,\r\n,,,,,,\"U3\"");
        self::assertSame(0, $status);
        self::assertEquals(self::locate(['map' => self::NIBBLE, 'errors' => $errors]), json_decode($out, true));
    }

    /** @return array<string, array{string, string}> */
    public static function broken(): array
    {
        return [
            'an unknown column' => ["address,xor,note\n0,1,x\n", '/errors'], 'a column twice' => ["address,address\n", '/errors'], 'nothing' => ['', '/errors'],
            'a truncated last line' => ["address,expected,actual\n0,1,2\n1,1", '/errors/1'], 'an open quote' => ["address,xor\n0,1\n\"1,1\n", '/errors/1'],
            'a wrong number' => ["address,xor\n0,1\n1,Z\n", '/errors/1/xor'], 'a column too many' => ["ref\nU1,U2\n", '/errors/0'],
        ];
    }

    #[DataProvider('broken')]
    public function test_broken_csv_is_refused(string $csv, string $pointer): void
    {
        [$status, $out, $err] = self::door($csv);
        self::assertSame([2, ''], [$status, $out]);
        self::assertStringContainsString('"pointer":"'.$pointer.'"', str_replace([' ', '\/'], ['', '/'], $err));
    }

    public function test_the_option_and_the_list_exclude_each_other(): void
    {
        [$status, , $err] = self::door("ref\nU1\n", ['map' => self::NIBBLE, 'errors' => []]);
        self::assertSame(2, $status);
        self::assertStringContainsString('--errors', $err);
        $read = static fn (): string => json_encode(['map' => self::NIBBLE], JSON_THROW_ON_ERROR);
        foreach ([
            ['memory', 'locate', '--errors'],
            ['memory', 'locate', '--error', 'x'],
            ['memory', 'locate', '--errors', 'gone'],
            ['memory', 'locate', '--errors', 'a', '--errors', 'b'],
            ['memory', 'sum', '--errors', 'x'],
        ] as $words) {
            self::assertSame(
                2,
                (new Door(...Rooms::all()))->open($words, $read, static fn (string $file): ?array => $file === 'gone' ? null : [])[0],
                implode(' ', $words),
            );
        }
    }

    /** @param list<array<string, mixed>> $errors */
    private static function with(array $errors, array $more = [], string $pattern = 'none'): array
    {
        return self::locate(['map' => [...self::byte(), ...$more], 'errors' => $errors, 'pattern' => $pattern]);
    }

    public function test_what_a_parity_error_means_follows_from_what_else_is_known_of_its_bank(): void
    {
        $parity = static fn (string $address): array => ['address' => $address, 'kind' => 'parity'];
        $data = static fn (string $address, string $xor): array => ['address' => $address, 'xor' => $xor];
        $seen = static fn (array $found): array => array_column(
            array_map(static fn (array $it): array => ["{$it['bank']}/{$it['bit']}", $it['errors']], $found['matrix']),
            1,
            0,
        );

        $odd = self::with([$data('5', '4'), $parity('5'), $data('9', '4'), $data('A', '4')]);
        self::assertSame([['1/2' => 3], 0, 1.0], [$seen($odd), $odd['unexplained'], (float) $odd['suspects'][0]['explains']], 'parity does its work');
        $even = self::with([$data('5', '6'), $parity('5'), $parity('5')]);
        self::assertEquals(['1/1' => 1, '1/2' => 1, '1/P' => 2], $seen($even), 'two wrong bits do not move parity: P is wrong too');
        $elsewhere = self::with([$data('5', '4'), $parity('7'), $data('9', '4')]);
        self::assertSame([['1/2' => 2], 0], [$seen($elsewhere), $elsewhere['unexplained']], 'that fault at work');
        $named = self::with([['bank' => '1', 'bit' => 2], $parity('7')]);
        self::assertSame(['1/2' => 1], $seen($named));
        $other = self::with([$data('45', '4'), $parity('7')]);
        self::assertEquals(['1/P' => 1, '2/2' => 1], $seen($other), 'another bank says nothing');

        $stop = self::with([$parity('7')]);
        self::assertSame(['1/P' => 1], $seen($stop));
        $chips = array_values(array_filter($stop['suspects'], static fn (array $it): bool => $it['kind'] === 'chip'));
        self::assertSame([9, 1], [count($chips), count(array_unique(array_column($chips, 'probability')))], 'all chips of the word alike');
        self::assertSame([true, 0], [$stop['few'], $stop['unexplained']]);
        self::assertStringStartsWith('Repeat the test', $stop['suspects'][0]['action']);
        self::assertStringContainsString('exchange half the row with another bank', $stop['suspects'][0]['action']);
        self::assertStringContainsString('watch the data lines', self::with([$parity('7')], ['mounting' => 'soldered'])['suspects'][0]['action']);
        $bare = self::byte();
        unset($bare['banks'][0]['parity']);
        $none = self::locate(['map' => $bare, 'errors' => [$parity('7'), $data('5', '4')]]);
        self::assertSame([['1/2' => 1], 1], [$seen($none), $none['unexplained']], 'a bank without parity has none to be wrong');
    }

    public function test_soldered_chips_are_neither_reseated_nor_exchanged(): void
    {
        $errors = array_map(static fn (int $i): array => ['address' => dechex(7 * $i % 64), 'xor' => '4'], range(0, 20));
        foreach ([[], ['technology' => 'core']] as $more) {
            foreach ([$errors, [$errors[0]], [...$errors, ['address' => '5', 'xor' => '81']], [['bank' => '1', 'bit' => 'P']]] as $list) {
                $said = self::with($list, ['mounting' => $more === [] ? 'soldered' : 'socketed', ...$more]);
                foreach ($said['suspects'] as $it) {
                    self::assertDoesNotMatchRegularExpression('/reseat|swap|exchange/i', $it['action'], $it['kind']);
                }
                self::assertDoesNotMatchRegularExpression('/reseat|swap|exchange/i', implode(' ', $said['reasons']));
            }
        }
        self::assertStringContainsString('sense amplifier', self::with($errors, ['technology' => 'core'])['suspects'][0]['action']);
        self::assertStringContainsString('pin on pin', self::with($errors, ['mounting' => 'soldered'])['suspects'][0]['action']);
        self::assertFalse(self::with($errors)['few']);
    }

    public function test_data_lines_that_touch_read_alike_and_are_never_wrong_together(): void
    {
        // Wired or of bits 2 and 5: where they differ the lower reads high.
        $errors = [];
        foreach (range(0, 127) as $at) {
            $word = Pattern::Mix->word($at, 8);
            $actual = ($word & 0x24) === 0 ? $word : $word | 0x24;
            $actual === $word || $errors[] = ['address' => dechex($at), 'expected' => dechex($word), 'actual' => dechex($actual)];
        }
        $top = self::with($errors, pattern: 'mix')['suspects'][0];
        self::assertSame(['data_bridge', [2, 5], [], null], [$top['kind'], $top['bits'], $top['refs'], $top['bank']]);
        self::assertEquals(1, $top['explains']);
        self::assertStringContainsString('touch', $top['text']);
        self::assertNotSame('data_bridge', self::with(array_slice($errors, 0, 3))['suspects'][0]['kind'], 'three are too few');
    }

    /** @return array<string, array{string, int, int}> */
    public static function bridges(): array
    {
        return ['or' => ['or', 1, 4], 'and' => ['and', 0, 3], 'and, high' => ['and', 4, 5]];
    }

    #[DataProvider('bridges')]
    public function test_address_lines_that_touch_make_one_cell_of_three(string $op, int $k, int $l): void
    {
        $both = 1 << $k | 1 << $l;
        $cell = static fn (int $at): int => $op === 'or' ? (($at & $both) === 0 ? $at : $at | $both) : (($at & $both) === $both ? $at : $at & ~$both);
        $store = $errors = [];
        foreach (range(0, 63) as $at) {
            $store[$cell($at)] = Pattern::Mix->word($at, 8);
        }
        foreach (range(0, 63) as $at) {
            [$word, $actual] = [Pattern::Mix->word($at, 8), $store[$cell($at)]];
            $word === $actual || $errors[] = ['address' => dechex($at), 'expected' => dechex($word), 'actual' => dechex($actual)];
        }
        $top = self::with($errors, pattern: 'mix')['suspects'][0];
        self::assertSame(['address_bridge', [$k, $l]], [$top['kind'], $top['address_bits']]);
        self::assertStringContainsString("logical {$op}", $top['text']);
        self::assertGreaterThan(0.99, $top['probability']);
    }

    public function test_a_drive_line_of_core_comes_before_any_plane(): void
    {
        $on = static fn (array $cells, array $bits): array => array_map(
            static fn (int $cell, int $i): array => ['address' => dechex($cell), 'xor' => dechex(1 << $bits[$i % count($bits)])],
            $cells,
            array_keys($cells),
        );
        $core = ['technology' => 'core'];
        $of = static function (array $errors, array $more) use ($core): array {
            $map = self::byte(['row_bits' => 3, 'column_bits' => 3]);
            $top = self::locate(['map' => [...$map, ...$core, ...$more], 'errors' => $errors])['suspects'][0];

            return [$top['kind'], $top['ref'], $top['bank']];
        };
        self::assertSame(['drive_line', 'X 2', '1'], $of($on([16, 17, 19, 22, 23], [0, 3]), []));
        self::assertSame(['drive_line', 'Y 3', '1'], $of($on([3, 11, 19, 27, 35], [0, 3, 7]), []));
        self::assertNotSame('drive_line', $of($on([16, 17, 19], [0, 3]), [])[0], 'three cells are too few');
        self::assertNotSame('drive_line', $of($on([16, 17, 19, 22, 23], [3]), [])[0], 'one plane is that plane');
        self::assertNotSame('drive_line', $of($on([16, 17, 19, 22, 23], [0, 3]), ['technology' => 'dram'])[0], 'dynamic memory has no drive lines');
        self::assertNotSame('drive_line', $of($on([16, 17, 19, 22, 40], [0, 3]), [])[0], 'one of five lies elsewhere');
    }

    /** @return array<string, array{array<string, mixed>, string}> */
    public static function badMaps(): array
    {
        $chips = [['ref' => 'U1', 'bits' => [0]], ['ref' => 'U2', 'bits' => [1]]];

        return [
            'an alias that is a designator' => [['chips' => [[...$chips[0], 'alias' => 'U2'], $chips[1]]], '/map/banks/0/chips/1/ref'],
            'an alias twice' => [['chips' => [[...$chips[0], 'alias' => 'D'], [...$chips[1], 'alias' => 'D']]], '/map/banks/0/chips/1/alias'],
            'the parity chip\'s too' => [
                ['chips' => [[...$chips[0], 'alias' => 'D'], $chips[1]], 'parity' => ['ref' => 'P', 'alias' => 'D']],
                '/map/banks/0/parity/alias',
            ],
        ];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('badMaps')]
    public function test_names_of_chips_are_given_once(array $change, string $pointer): void
    {
        $bank = ['name' => 'A', 'start' => '0', 'words' => 4, 'chips' => [], ...$change];
        self::assertRefusedAt($pointer, new MemoryRoom(), 'locate', ['map' => ['word_bits' => 2, 'banks' => [$bank]], 'errors' => []]);
    }
}
