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

    public function test_every_word_for_what_a_number_is_counts_as_that(): void
    {
        $words = [
            'address' => 'address addr adr at @ loc location cell',
            'expected' => 'expected exp wrote written write w want wanted should good',
            'actual' => 'actual act got read rd r was found bad is saw',
            'xor' => 'xor diff difference mask',
        ];
        $others = ['address' => 'wrote 55 read 51', 'expected' => 'read 51 at 4A3F', 'actual' => 'wrote 55 at 4A3F', 'xor' => 'at 4A3F'];
        $numbers = ['address' => '4A3F', 'expected' => '55', 'actual' => '51', 'xor' => '04'];
        foreach ($words as $role => $list) {
            foreach (explode(' ', $list) as $word) {
                [$transcript, $locator] = self::read("{$others[$role]} {$word} {$numbers[$role]}\n".strtoupper($word)." {$numbers[$role]} {$others[$role]}");
                $locator->suspects();
                self::assertSame([2, 2, [2]], [$transcript->recognised, $locator->errors, array_keys($locator->seen)], $word);
            }
        }
        foreach (explode(' ', 'pass passes line count time t no # errors error seconds step loop cycle test') as $word) {
            self::assertSame(['4A3F, bank A: bit 2'], array_column(self::read("{$word} 7 4A3F 55 51")[0]->shown, 'says'), $word);
        }
        foreach (['add', 'fed', 'added', 'dead', 'face'] as $word) {
            self::assertSame(1, self::read(strtoupper($word).' 4A3F 55 51')[0]->recognised, $word);
        }
    }

    public function test_what_ends_a_pass_and_what_begins_one(): void
    {
        foreach (explode(' ', 'ok clean done end ends ended complete completed finished') as $word) {
            self::assertSame([1, 0], [($it = self::read("Pass 3 {$word}")[0])->passes, $it->failedPasses], $word);
        }
        foreach (['fail', 'failed', 'end errors: 2', 'end 1 error', 'done, errors = 12', 'failed errors 1'] as $words) {
            self::assertSame([1, 1], [($it = self::read("pass 3 {$words}")[0])->passes, $it->failedPasses], $words);
        }
        foreach (['start', 'begin', 'started', 'begins', 'begins, end of the one before'] as $word) {
            self::assertSame([0, 1], [($it = self::read("PASSES {$word}")[0])->passes, $it->recognised], $word);
        }
        self::assertSame([1, 0], [($it = self::read('pass 2 failed, errors 0')[0])->passes, $it->failedPasses], 'it counted them');
        self::assertSame([2, 1], [($it = self::read("U3 bad\npass 1 end\npass 2 end")[0])->passes, $it->failedPasses], 'each pass anew');
        self::assertSame([0, 1], [($it = self::read('the bypass is done')[0])->passes, $it->leftOver]);
        self::assertSame([0, 1], [($it = self::read('pass 12')[0])->passes, $it->leftOver]);
    }

    public function test_lines_have_a_length_and_sixty_are_shown(): void
    {
        $line = static fn (int $length): string => str_pad('4A3F 55 51 ', $length, '=');
        self::assertSame([1, 1], [($it = self::read($line(400)."\n".$line(401))[0])->recognised, $it->leftOver]);
        self::assertSame(200, mb_strlen(self::read(str_repeat('ü', 190).str_repeat(' ä', 9))[0]->left[0]['text']));
        [$transcript] = self::read(str_repeat("4A3F 55 51\n", 61)."\n4A3F 55 51");
        self::assertSame([60, 62, 63, 0], [count($transcript->shown), $transcript->recognised, $transcript->lines, $transcript->leftOver]);
        self::assertSame(['line' => 60, 'text' => '4A3F 55 51', 'says' => '4A3F, bank A: bit 2'], end($transcript->shown));
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

    public function test_a_row_that_is_no_way_to_name_an_error_points_at_what_is_wrong_in_it(): void
    {
        foreach ([
            'address=4A3F expected=55' => 'actual', 'address=4A3F actual=51' => 'expected', 'bank=A' => 'bit', 'bit=3' => 'bank',
            'address=4A3F kind=parity xor=1' => 'kind', 'address=1 kind=parity expected=1' => 'kind', 'address=4A3F xor=4 expected=55' => 'xor',
            'address=4A3F xor=4 actual=51' => 'xor', 'address=4A3F' => '', 'bank=A bit=3 ref=U3' => '', 'address=4A3F kind=row' => 'kind',
            'address=4A3F xor=100' => 'xor', 'address=xyz xor=1' => 'address', 'bank=Q bit=3' => 'bank', 'bank=A bit=9' => 'bit', 'ref=U77' => 'ref',
            'bank=A bit=003' => 'bit', 'expected=55 actual=51' => '',
        ] as $row => $field) {
            $error = [];
            foreach (explode(' ', $row) as $pair) {
                [$name, $error[$name]] = explode('=', $pair);
            }
            try {
                $reader = new ErrorReader(self::map(), new Locator(self::map(), [true], Pattern::None));
                $reader->document(Node::parse(json_encode([$error], JSON_THROW_ON_ERROR)));
                self::fail($row);
            } catch (\Ash\Document\InvalidDocument $fault) {
                self::assertStringEndsWith($field === '' ? '0' : "0/{$field}", $fault->pointer, $row);
            }
        }
    }
}
