<?php

declare(strict_types=1);

namespace Ash\Tests\Memory;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Memory\DateCode;
use Ash\Memory\DescribedMemories;
use Ash\Memory\FittedMemory;
use Ash\Memory\MapCheck;
use Ash\Memory\RowsOfChips;
use Ash\Tests\House;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Maps of a profile: made from rows, checked, drawn as sockets, read with their date codes. */
final class MapsTest extends TestCase
{
    /** @param array<string, mixed> $document */
    private static function node(array $document): Node
    {
        return Node::parse(json_encode($document, JSON_THROW_ON_ERROR));
    }

    /**
     * @param array<string, mixed>       $more
     * @param list<array<string, mixed>> $banks
     */
    private static function memory(array $banks, int $wordBits = 2, array $more = []): FittedMemory
    {
        return FittedMemory::read(self::node(['key' => 'm', 'name' => 'M', ...$more, 'map' => ['word_bits' => $wordBits, 'banks' => $banks]]));
    }

    /** @return array<string, mixed> */
    private static function bank(string $name, string $start, int $words = 16, string ...$refs): array
    {
        return [
            'name' => $name,
            'start' => $start,
            'words' => $words,
            'chips' => array_map(static fn (string $ref, int $i): array => ['ref' => $ref, 'bits' => [$i]], $refs, array_keys($refs)),
        ];
    }

    public function test_a_row_of_4116_makes_a_bank_with_words_and_geometry_from_the_chip(): void
    {
        $map = RowsOfChips::map(self::node(['word_bits' => 8, 'chip' => '4116', 'rows' => [
            ['name' => '0', 'start' => '0', 'first' => 'U30', 'bit_0' => 'first'],
            ['name' => '1', 'start' => '4000', 'first' => 'U20', 'bit_0' => 'last', 'parity' => true],
        ]]));
        self::assertSame(['radix' => 16, 'word_bits' => 8, 'technology' => 'dram'], array_diff_key($map, ['banks' => 1]));
        $memory = FittedMemory::read(self::node(['key' => 'm', 'name' => 'M', 'chip' => '4116', 'map' => $map]));
        self::assertSame([], MapCheck::of($memory));
        self::assertTrue($memory->needsBias());
        [$zero, $one] = $memory->map->banks;
        self::assertSame([16384, 7, 7, 0x4000], [$zero->words, $zero->rowBits, $zero->columnBits, $one->start]);
        self::assertSame(['U30', [0]], [$zero->chips[0]->ref, $zero->chips[0]->bits]);
        self::assertSame(['U27', [0]], [$one->chips[0]->ref, $one->chips[0]->bits], 'bit 0 at the last chip');
        self::assertSame(
            [['U30', 'U31', 'U32', 'U33', 'U34', 'U35', 'U36', 'U37'], ['U20', 'U21', 'U22', 'U23', 'U24', 'U25', 'U26', 'U27', 'U28']],
            $memory->sockets,
            'as they sit, the parity chip at the end of its row',
        );
    }

    public function test_wide_chips_share_the_word_and_a_last_one_may_give_fewer_bits(): void
    {
        $map = RowsOfChips::map(self::node([
            'word_bits' => 18,
            'chip' => '4464',
            'rows' => [['name' => 'A', 'start' => '0', 'first' => 'M08B', 'bit_0' => 'first']],
        ]));
        $memory = FittedMemory::read(self::node(['key' => 'm', 'name' => 'M', 'chip' => '4464', 'map' => $map]));
        self::assertSame(['M08B', 'M09B', 'M10B', 'M11B', 'M12B'], array_map(static fn ($chip): string => $chip->ref, $memory->map->banks[0]->chips));
        self::assertSame([16, 17], $memory->map->banks[0]->chips[4]->bits);
        $own = RowsOfChips::map(self::node([
            'radix' => 8,
            'word_bits' => 12,
            'technology' => 'core',
            'rows' => [['name' => '0', 'start' => '10000', 'words' => 4096, 'first' => 'P0', 'bit_0' => 'first']],
        ]));
        self::assertSame(['core', 6], [$own['technology'], $own['banks'][0]['row_bits'] ?? null]);
        self::assertNull(
            RowsOfChips::map(self::node([
                'word_bits' => 8,
                'chip' => '6116',
                'rows' => [['name' => '0', 'start' => '0', 'first' => 'U1', 'bit_0' => 'first']],
            ]))['banks'][0]['row_bits']
                ?? null,
            'static memory has no multiplexed pins',
        );
    }

    /** @return array<string, array{array<string, mixed>, string}> */
    public static function badRows(): array
    {
        $row = ['name' => '0', 'start' => '0', 'first' => 'U30', 'bit_0' => 'first'];

        return [
            'no number to count up' => [['word_bits' => 8, 'chip' => '4116', 'rows' => [['first' => 'UX'] + $row]], '/rows/0/first'],
            'a start that is no number' => [['word_bits' => 8, 'chip' => '4116', 'rows' => [['start' => 'G'] + $row]], '/rows/0/start'],
            'octal digits in a decimal place' => [['radix' => 8, 'word_bits' => 8, 'chip' => '4116', 'rows' => [['start' => '4900'] + $row]], '/rows/0/start'],
            'no chip and no words' => [['word_bits' => 8, 'rows' => [$row]], '/rows/0/words'],
            'a chip that is not known' => [['word_bits' => 8, 'chip' => '4117', 'rows' => [$row]], '/chip'],
            'a side that is none' => [['word_bits' => 8, 'chip' => '4116', 'rows' => [['bit_0' => 'left'] + $row]], '/rows/0/bit_0'],
            'no row' => [['word_bits' => 8, 'chip' => '4116', 'rows' => []], '/rows'],
        ];
    }

    /** @param array<string, mixed> $rows */
    #[DataProvider('badRows')]
    public function test_bad_rows_are_refused_at_their_field(array $rows, string $pointer): void
    {
        $this->refused($pointer, static fn () => RowsOfChips::map(self::node($rows)));
    }

    public function test_gaps_missing_bits_and_other_sizes_are_named_with_their_place(): void
    {
        self::assertSame(
            ['bank B: no chip gives bit 1', 'no bank answers from 10 to 1F'],
            MapCheck::of(self::memory([self::bank('A', '0', 16, 'U1', 'U2'), self::bank('B', '20', 16, 'U3')])),
        );
        $even = self::bank('even', '0', 8, 'U1', 'U2') + ['select' => ['mask' => '1', 'value' => '0']];
        self::assertSame(['no bank answers from 0 to F where the address under mask 1 is 1'], MapCheck::of(self::memory([$even])));
        self::assertSame([], MapCheck::of(self::memory([$even, self::bank('odd', '0', 8, 'U3', 'U4') + ['select' => ['mask' => '1', 'value' => '1']]])));
        self::assertSame(
            ['bank A has 16 words, a 6116 has 2048', 'the map says dram, a 6116 is sram'],
            MapCheck::of(self::memory([self::bank('A', '0', 16, 'U1', 'U2')], 2, ['chip' => '6116'])),
        );
    }

    public function test_overlaps_and_doubled_bits_are_refused_with_the_place(): void
    {
        $this->refused(
            '/map/banks/1',
            static fn () => self::memory([self::bank('A', '0', 16, 'U1', 'U2'), self::bank('B', '8', 16, 'U3', 'U4')]),
            'overlaps bank A: both answer at 8',
        );
        $this->refused(
            '/map/banks/0/chips/1/bits/0',
            static fn () => self::memory([
                ['name' => 'A', 'start' => '0', 'words' => 16, 'chips' => [['ref' => 'U1', 'bits' => [0]], ['ref' => 'U2', 'bits' => [0]]]],
            ]),
            'bit 0 is given twice',
        );
    }

    public function test_sockets_hold_every_chip_once(): void
    {
        $banks = [self::bank('A', '0', 16, 'U1', 'U2')];
        self::assertSame([['U2', null], ['U1']], self::memory($banks, 2, ['sockets' => [['U2', null], ['U1']]])->sockets);
        $this->refused('/sockets', static fn () => self::memory($banks, 2, ['sockets' => [['U2']]]), 'no socket for U1');
        $this->refused('/sockets/1/0', static fn () => self::memory($banks, 2, ['sockets' => [['U1'], ['U1']]]));
        $this->refused('/sockets/0/0', static fn () => self::memory($banks, 2, ['sockets' => [['U9', 'U1', 'U2']]]));
    }

    public function test_a_profile_with_three_supply_chips_knows_that_they_need_their_bias(): void
    {
        $map = RowsOfChips::map(self::node([
            'word_bits' => 8,
            'chip' => '4116',
            'rows' => [['name' => '0', 'start' => '0', 'first' => 'U30', 'bit_0' => 'first']],
        ]));
        $profile = ['memories' => [['key' => 'm', 'name' => 'Main memory', 'board' => 'main', 'chip' => '4116', 'map' => $map]]];
        self::assertSame(['4116 in Main memory'], House::profile($profile)->section(DescribedMemories::class)?->biasedChips());
        $profile['memories'][0]['board'] = 'attic';
        $this->refused('/memories/0/board', static fn () => House::profile($profile));
    }

    public function test_date_codes_are_weeks_and_a_younger_chip_is_history(): void
    {
        $map = self::memory([self::bank('A', '0', 16, 'U30', 'U31', 'U32', 'U33')], 4)->map;
        $codes = DateCode::list(self::node(['codes' => 'U30-U32 8213, U33 8430'])->at('codes'), $map);
        ksort($codes);
        self::assertSame(['U30' => '8213', 'U31' => '8213', 'U32' => '8213', 'U33' => '8430'], $codes);
        self::assertSame(['built' => 'not before week 13 of 1982', 'younger' => ['U33' => 'week 30 of 1984: replaced before']], DateCode::history($codes));
        self::assertSame(['built' => null, 'younger' => []], DateCode::history([]));
        self::assertSame([], DateCode::history(['U30' => '8201', 'U31' => '8252'])['younger'], 'within a year they came together');
        self::assertSame(2001, DateCode::read(Node::of('0113'))->year);
        self::assertSame(1971, DateCode::read(Node::of('7113'))->year);
        foreach (['8200', '8254', '821', '82133', "8213\n"] as $bad) {
            $this->refused('', static fn () => DateCode::read(Node::of($bad)));
        }
        foreach (['8213', 'U30', 'U30 8299', 'U77 8213', 'U30 8213 U31'] as $bad) {
            $this->refused('/codes', static fn () => DateCode::list(self::node(['codes' => $bad])->at('codes'), $map));
        }
    }

    private function refused(string $pointer, \Closure $try, string $words = ''): void
    {
        try {
            $try();
            self::fail('was taken');
        } catch (InvalidDocument $fault) {
            self::assertSame($pointer, $fault->pointer, $fault->detail);
            self::assertStringContainsString($words, $fault->detail);
        }
    }
}
