<?php

declare(strict_types=1);

namespace Ash\Tests\Memory;

use Ash\Document\Node;
use Ash\Memory\ErrorReader;
use Ash\Memory\Locator;
use Ash\Memory\Map;
use Ash\Memory\Pattern;
use Ash\Memory\RadixGuess;
use Ash\Memory\Transcript;
use Ash\Quantity\Radix;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TranscriptTest extends TestCase
{
    private static function map(int $radix = 16, string $start = '4000', int $wordBits = 8): Map
    {
        $chips = array_map(static fn (int $i): array => ['ref' => "U{$i}", 'bits' => [$i]], range(0, $wordBits - 1));

        return Map::read(Node::parse(json_encode(
            [
                'radix' => $radix,
                'word_bits' => $wordBits,
                'banks' => [['name' => 'A', 'start' => $start, 'words' => 16384, 'chips' => $chips, 'parity' => ['ref' => 'U99']]],
            ],
            JSON_THROW_ON_ERROR,
        )));
    }

    /** @return array{Transcript, Locator} */
    private static function read(string $text, ?Map $map = null, ?Radix $radix = null): array
    {
        $map ??= self::map();
        $locator = new Locator($map, [true], Pattern::None);
        $transcript = new Transcript($map, $locator, $radix ?? $map->radix);
        foreach (explode("\n", $text) as $line) {
            $transcript->line($line);
        }

        return [$transcript, $locator];
    }

    /** @return array<string, array{string, list<int>}> a line, and the bits of bank A that it falls on (64 is parity) */
    public static function lines(): array
    {
        return [
            'three numbers in order' => ['4A3F 55 51', [2]],
            'marks of hexadecimal' => ['0x4A3F: wrote $55, read 51h', [2]],
            'labels and signs' => ['ERR @4A3F W=55 R=51', [2]],
            'labels in another order' => ['read 51 at 4A3F expected 55', [2]],
            'words around them' => ['bad word at address 4A3F, should be 55, was 51', [2]],
            'a time before them' => ['12:30:07 4A3F 55 51', [2]],
            'the difference behind them' => ['4A3F 55 50 05', [0, 2]],
            'the difference instead' => ['addr=4A3F xor=81', [0, 7]],
            'letters only' => ['4FFF FF FE', [0]],
            'capital letters as a word' => ['4FFE AA AB', [0]],
            'parity' => ['PARITY at 4A3F', [64]],
            'bank and bit' => ['bank A bit 6 failed', [6]],
            'parity bit of a bank' => ['bank A bit P failed', [64]],
            'a chip by its name' => ['U3', [3]],
            'a chip in a sentence' => ['chip U3 is faulty', [3]],
            'octal marks in a hexadecimal log' => ['@4A3F W=0o125 R=0o121', [2]],
        ];
    }

    /** @param list<int> $bits */
    #[DataProvider('lines')]
    public function test_a_line_is_recognised_by_its_shape(string $line, array $bits): void
    {
        [$transcript, $locator] = self::read($line);
        self::assertSame([1, 0], [$transcript->recognised, $transcript->leftOver], json_encode($transcript->left, JSON_THROW_ON_ERROR));
        $locator->suspects();
        $seen = array_map(static fn (int $pair): int => $pair % Locator::WIDTH, array_keys($locator->seen));
        sort($seen);
        self::assertSame($bits, $seen);
    }

    /** @return array<string, array{string, string}> a line that is left, and why */
    public static function leftovers(): array
    {
        return [
            'prose' => ['memory test version two', 'no address and words in it'],
            'one word missing' => ['4A3F 55', 'an address without two words'],
            'too many numbers' => ['4A3F 55 51 12', 'more numbers than an address and two words'],
            'nothing wrong' => ['4A3F 55 55', 'both words are the same: nothing is wrong in it'],
            'a word too wide' => ['4A3F 155 151', 'a word wider than 8 bits'],
            'not of the radix' => ['4A3G 55 51', '"4A3G" is no number in radix 16'],
            'a bank that is not there' => ['bank Q bit 3', 'there is no bank "Q"'],
            'a bit that is not there' => ['bank A bit 9', 'bank A has no bit 9'],
        ];
    }

    #[DataProvider('leftovers')]
    public function test_what_is_not_recognised_is_left_with_the_reason(string $line, string $why): void
    {
        [$transcript, $locator] = self::read($line);
        self::assertSame([0, 1, 0], [$transcript->recognised, $transcript->leftOver, $locator->errors]);
        self::assertSame([['line' => 1, 'text' => $line, 'says' => $why]], $transcript->left);
    }

    public function test_digits_that_are_not_octal_in_an_octal_log_are_left_and_named(): void
    {
        [$transcript] = self::read("0017 7777 7776\n0018 0000 0001", self::map(8, '0', 12));
        self::assertSame(1, $transcript->recognised);
        self::assertSame('"0018" is no number in radix 8', $transcript->left[0]['says']);
    }

    public function test_passes_are_counted_and_a_pass_with_errors_is_told_from_a_clean_one(): void
    {
        [$transcript] = self::read(
            "PASS 1 START\nPASS 1 END errors 0\nPASS 2 START\n4A3F 55 51\nPASS 2 END\npass 3 complete, 2 errors\npass 4 ok\npass 5 failed",
        );
        self::assertSame([5, 3], [$transcript->passes, $transcript->failedPasses]);
        self::assertSame(8, $transcript->recognised);
    }

    public function test_a_log_in_the_wrong_radix_is_told_by_where_its_addresses_fall(): void
    {
        // 16384 to 32767 in decimal is 4000 to 7FFF; read as hexadecimal it lies outside the bank.
        $decimal = implode("\n", array_map(static fn (int $a): string => "{$a} 55 51", range(20000, 20090, 10)));
        [$transcript, $locator] = self::read($decimal);
        self::assertSame(10, $locator->unmapped, 'counted and put nowhere');
        self::assertSame(Radix::Decimal, $transcript->betterRadix());
        self::assertNull(self::read($decimal, null, Radix::Decimal)[0]->betterRadix());
        self::assertNull(self::read("0x20000 55 51\n0x20001 55 51\n0x20002 55 51")[0]->betterRadix(), 'a marked number says its radix itself');
        self::assertNull(self::read("20000 55 51\n20001 55 51")[0]->betterRadix(), 'two addresses tell nothing');
        $guess = new RadixGuess(self::map(), Radix::Hexadecimal);
        array_map($guess->took(...), ['9999999', '8888888', '7777777']);
        self::assertNull($guess->better(), 'in no radix of the map at all');
    }

    public function test_noise_neither_stops_the_reading_nor_grows(): void
    {
        [$transcript] = self::read(str_repeat("\x00\xff\xfe line noise \x80 12\n", 500).str_repeat('A', 100_000)."\n4A3F 55 51");
        self::assertSame([501, 1], [$transcript->leftOver, $transcript->recognised]);
        self::assertCount(60, $transcript->left);
        self::assertTrue(mb_check_encoding($transcript->left[0]['text'], 'UTF-8'));
    }

    public function test_a_csv_that_is_cut_at_its_end_keeps_what_was_whole_and_any_other_fault_refuses_it(): void
    {
        $map = self::map();
        $read = static function (string $csv, bool $keep) use ($map): array {
            $locator = new Locator($map, [true], Pattern::None);

            return [(new ErrorReader($map, $locator))->csv(preg_split('/(?<=\n)/', $csv, -1, PREG_SPLIT_NO_EMPTY) ?: [], $keep), $locator->errors];
        };
        self::assertSame(['has 2 fields where the header has 3: is the line truncated?', 1], $read("address,expected,actual\n4A3F,55,51\n4A40,5", true));
        self::assertSame([null, 2], $read("address,expected,actual\n4A3F,55,51\n4A40,55,51", true), 'a missing last line end is no cut');
        self::assertSame(['is truncated: a quote is not closed', 1], $read("address,expected,actual\n4A3F,55,51\n\"4A40,5", true));
        foreach ([
            ["address,expected,actual\n4A3F,55,51\n4A40,5", false],
            ["address,expected,actual\n4A3F,5\n4A40,55,51\n", true],
            ["address,colour\n", true],
        ] as [$csv, $keep]) {
            try {
                $read($csv, $keep);
                self::fail($csv);
            } catch (\Ash\Document\InvalidDocument $fault) {
                self::assertStringStartsWith('/errors', $fault->pointer);
            }
        }
    }
}
