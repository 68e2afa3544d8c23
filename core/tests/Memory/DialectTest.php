<?php

declare(strict_types=1);

namespace Ash\Tests\Memory;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Memory\Dialect;
use Ash\Memory\LinePattern;
use Ash\Memory\LineRole;
use Ash\Memory\LineSort;
use Ash\Memory\Located;
use Ash\Memory\Locator;
use Ash\Memory\Map;
use Ash\Memory\MemoryStanding;
use Ash\Memory\Pattern;
use Ash\Memory\RowsOfChips;
use Ash\Memory\Transcript;
use Ash\Tests\House;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A test that was not understood is no clean test; what its lines say can be taught. */
final class DialectTest extends TestCase
{
    private static function map(): Map
    {
        $rows = RowsOfChips::map(House::node(['word_bits' => 8, 'rows' => [
            ['name' => '0', 'start' => '4000', 'words' => 4096, 'first' => 'U10', 'bit_0' => 'first'],
            ['name' => '1', 'start' => '5000', 'words' => 4096, 'first' => 'U20', 'bit_0' => 'first'],
        ]]));
        $rows['banks'][0]['chips'][3]['alias'] = 'D10';

        return Map::read(Node::parse(json_encode($rows, JSON_THROW_ON_ERROR)));
    }

    /** @return array{Transcript, Located} */
    private static function read(string $text, LinePattern ...$taught): array
    {
        $map = self::map();
        $locator = new Locator($map, [true, true], Pattern::None);
        $transcript = new Transcript($map, $locator, $map->radix, new Dialect(...$taught));
        array_map($transcript->line(...), explode("\n", $text));

        return [$transcript, Located::of($map, $locator, Pattern::None)];
    }

    /** @return iterable<string, array{string, int, int}> a text, errors that are read of it without being taught, lines left over */
    public static function untaught(): iterable
    {
        yield 'a chip by a name that looks like a number' => ["RAM TEST\nBAD CHIP D10", 1, 1];
        yield 'trouble without a place' => ['MEMORY ERROR', 0, 1];
        yield 'a count that is no place' => ['all 8 banks failed', 0, 1];
        yield 'a check and an address' => ['Parity check 1 at 4321', 0, 1];
        yield 'a clean pass' => ['pass 1 ok', 0, 0];
    }

    #[DataProvider('untaught')]
    public function test_what_is_not_understood_is_left_over_and_never_clean(string $text, int $errors, int $left): void
    {
        [$transcript, $located] = self::read($text);
        self::assertSame([$errors, $left], [$located->errors, $transcript->leftOver]);
        $run = House::entry('memory', ['source' => '01JK8E3CT09KHR96A3PYK2KXS1']);
        self::assertInstanceOf(\Ash\Memory\MemoryRun::class, $run);
        $run = Shape::of($run::class)->with($run, ['errors' => $located->errors, 'leftOver' => $transcript->leftOver]);
        self::assertSame($errors === 0 && $left > 0, $run->notRead());
        self::assertSame($run->notRead(), str_contains($run->sentence(''), 'not read'));
        self::assertSame($errors === 0 && $left === 0, MemoryStanding::of($run)->passed);
    }

    public function test_what_speaks_of_trouble_comes_first(): void
    {
        [$transcript] = self::read(str_repeat("all is quiet\n", 70)."MEMORY ERROR\nnothing to see\nbank failed badly");
        self::assertSame(['MEMORY ERROR', 'bank failed badly', 'all is quiet'], array_column(array_slice($transcript->left, 0, 3), 'text'));
        self::assertCount(60, $transcript->left);
        self::assertSame(73, $transcript->leftOver);
    }

    /**
     * The line it is taught, its kind, marks, lines it is then read in; errors, lines left over, matrix.
     *
     * @return iterable<string, array{string, LineSort, array<int, LineRole>, string, array{int, int, array<string, int>}}>
     */
    public static function lessons(): iterable
    {
        $e = LineSort::Error;
        yield 'a chip' => ['FAULT IN DEVICE U12!', $e, [3 => LineRole::Chip], "FAULT IN DEVICE U12!\nfault in device D10", [2, 0, ['0/2' => 1, '0/3' => 1]]];
        yield 'a chip that is not there' => ['FAULT IN DEVICE U12!', $e, [3 => LineRole::Chip], 'FAULT IN DEVICE U99!', [0, 1, []]];
        yield 'address and words' => [
            'BLOCK 3 ADR=4A3F SOLL=55 IST=51', $e, [3 => LineRole::Address, 5 => LineRole::Expected, 7 => LineRole::Actual],
            "BLOCK 4 ADR=5001 SOLL=00 IST=80\nNOTHING HERE", [1, 1, ['1/7' => 1]],
        ];
        yield 'a number that is none' => ['ADR=4A3F SOLL=55 IST=51', $e, [1 => LineRole::Address, 3 => LineRole::Expected, 5 => LineRole::Actual],
            'ADR=4A3G SOLL=55 IST=51', [0, 1, []]];
        yield 'a bank as a whole' => [
            'bank 1 failed', $e, [1 => LineRole::Bank], 'bank 0 failed',
            [1, 0, array_fill_keys(['0/0', '0/1', '0/2', '0/3', '0/4', '0/5', '0/6', '0/7'], 1)],
        ];
        yield 'bank and bit' => ['plane 3 of module 1 dead', $e, [1 => LineRole::Bit, 4 => LineRole::Bank], 'plane 5 of module 0 dead', [1, 0, ['0/5' => 1]]];
        yield 'trouble without a place' => ['MEMORY ERROR', $e, [], "MEMORY ERROR\nmemory error", [2, 0, []]];
        yield 'chatter' => ['RAM TEST V1.2 (C)', LineSort::Chatter, [], "RAM TEST V2.0 (C)\nsomething else", [0, 1, []]];
        yield 'the end' => ['ALL TESTS FINISHED', LineSort::End, [], 'All tests finished', [0, 0, []]];
    }

    /**
     * @param array<int, LineRole>                $marks
     * @param array{int, int, array<string, int>} $want
     */
    #[DataProvider('lessons')]
    public function test_a_line_that_is_taught_is_known_from_then_on(string $line, LineSort $sort, array $marks, string $text, array $want): void
    {
        $pattern = LinePattern::taught($line, $sort, $marks);
        // It goes out as data and comes in as the same.
        $pattern = Shape::of(LinePattern::class)->read(Node::parse(json_encode((object) Shape::of(LinePattern::class)->write($pattern), JSON_THROW_ON_ERROR)));
        [$transcript, $located] = self::read($text, $pattern);
        $seen = [];
        foreach ($located->matrix as $row) {
            $seen["{$row->bank}/{$row->bit}"] = $row->errors;
        }
        self::assertSame($want, [$located->errors, $transcript->leftOver, $seen]);
    }

    public function test_passes_of_a_dialect_are_counted(): void
    {
        $pattern = LinePattern::taught('DURCHLAUF 3 FEHLER 0', LineSort::Pass, [3 => LineRole::Errors]);
        [$transcript] = self::read("DURCHLAUF 1 FEHLER 0\nDURCHLAUF 2 FEHLER 4\n4A3F 55 51\nDURCHLAUF 3 FEHLER 0", $pattern);
        self::assertSame([3, 2, 0], [$transcript->passes, $transcript->failedPasses, $transcript->leftOver]);
    }

    /** @return array<string, array{string, LineSort, array<int, LineRole>, string}> */
    public static function refused(): array
    {
        $e = LineSort::Error;

        return [
            'numbers alone' => ['4A3F 55 51', $e, [0 => LineRole::Address, 1 => LineRole::Expected, 2 => LineRole::Actual], '/line'],
            'every word marked' => ['bad U12', $e, [0 => LineRole::Bank, 1 => LineRole::Chip], '/line'],
            'signs alone' => ['-----', LineSort::Chatter, [], '/line'],
            'a letter is no word' => ['x 12', LineSort::Chatter, [], '/line'],
            'one meaning twice' => ['bad U12 U13', $e, [1 => LineRole::Chip, 2 => LineRole::Chip], '/marks'],
            'written without read' => ['bad 4000 55', $e, [1 => LineRole::Address, 2 => LineRole::Expected], '/marks'],
            'words without an address' => ['bad 55 51', $e, [1 => LineRole::Expected, 2 => LineRole::Actual], '/marks'],
            'a bit without its bank' => ['bad bit 5', $e, [2 => LineRole::Bit], '/marks'],
            'two places' => ['bad U12 in 1', $e, [1 => LineRole::Chip, 3 => LineRole::Bank], '/marks'],
            'a chip in a pass' => ['pass U12', LineSort::Pass, [1 => LineRole::Chip], '/marks'],
            'a word that is not there' => ['bad U12', $e, [7 => LineRole::Chip], '/marks'],
        ];
    }

    /** @param array<int, LineRole> $marks */
    #[DataProvider('refused')]
    public function test_what_would_fit_anything_or_says_two_things_is_refused(string $line, LineSort $sort, array $marks, string $pointer): void
    {
        try {
            LinePattern::taught($line, $sort, $marks);
            self::fail($line);
        } catch (InvalidDocument $fault) {
            self::assertSame($pointer, $fault->pointer, $fault->detail);
        }
    }

    public function test_matching_costs_what_the_line_is_long(): void
    {
        $pattern = LinePattern::taught(str_repeat('bad 1 ', 30), LineSort::Error, []);
        $time = static function (int $times) use ($pattern): float {
            $dialect = new Dialect(...array_fill(0, 200, $pattern));
            $line = str_repeat('bad 1 ', 29).str_repeat('a', 1000 * $times).' x';
            $from = hrtime(true);
            for ($i = 0; $i < 20; ++$i) {
                $dialect->read($line);
            }

            return (hrtime(true) - $from) / 1e6;
        };
        $time(1);
        self::assertLessThan(60 * max(0.5, $time(1)), $time(20), 'twenty times as long costs no sixty times as much');
    }
}
