<?php

declare(strict_types=1);

namespace Ash\Tests\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Tests\House;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A board goes into a place of a machine, or onto the shelf: half of either is no move. */
final class BoardMovedTest extends TestCase
{
    private const BOARD = '01JK8E3CT09KHR96A3PYK2KXS1';
    private const MACHINE = '01JK8E3CT09KHR96A3PYK2KXS2';

    /** @return list<array{array<string, mixed>, string}> */
    public static function halves(): array
    {
        return [[['to' => self::MACHINE], 'to and place'], [['place' => 'dome'], 'to and place'], [['lent' => true], 'goes into a machine']];
    }

    /** @param array<string, mixed> $data */
    #[DataProvider('halves')]
    public function test_half_a_move_is_refused(array $data, string $words): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessage($words);
        House::entry('board_moved', ['board' => self::BOARD, ...$data]);
    }

    public function test_both_kinds_of_move_are_taken(): void
    {
        self::assertSame('board taken, onto the shelf', House::says('board_moved', '', ['board' => self::BOARD]));
        $in = House::plain(House::entry('board_moved', ['board' => self::BOARD, 'to' => self::MACHINE, 'place' => 'dome', 'lent' => true]));
        self::assertSame([self::MACHINE, 'dome', true], [$in['to'], $in['place'], $in['lent']]);
    }
}
