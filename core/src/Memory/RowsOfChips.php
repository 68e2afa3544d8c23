<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;
use Ash\Quantity\Radix;

/**
 * The usual map in a minute: rows of chips that are numbered along the board. Each row is a bank; give its first designator, where
 * bit 0 sits, and how wide it is; words and geometry follow from the chip type.
 */
final readonly class RowsOfChips
{
    /** @return array<string, mixed> the map as a document */
    public static function map(Node $node): array
    {
        $node->only('radix', 'word_bits', 'technology', 'chip', 'rows');
        $radix = Radix::read($node->optional('radix'));
        $wordBits = $node->at('word_bits')->integer(1, 63);
        $chip = $node->optional('chip')?->isNull() === false ? $node->at('chip')->enum(ChipType::class) : null;
        $technology = $node->optional('technology')?->enum(Technology::class) ?? Technology::of($chip);
        $rows = $node->at('rows')->items();
        $rows !== [] || $node->at('rows')->refuse('must list at least one row');

        return [
            'radix' => $radix->value, 'word_bits' => $wordBits, 'technology' => $technology->value,
            'banks' => array_map(static fn (Node $row): array => self::row($row, $radix, $wordBits, $chip, $technology), $rows),
        ];
    }

    /** @return array<string, mixed> */
    private static function row(Node $row, Radix $radix, int $wordBits, ?ChipType $chip, Technology $technology): array
    {
        $row->only('name', 'start', 'words', 'first', 'bit_0', 'parity');
        $words = $row->optional('words')?->integer(1, 1 << 40) ?? $chip?->sheet()['words'] ?? $row->at('words')->integer(1);
        $bits = $chip?->sheet()['bits'] ?? 1;
        $chips = intdiv($wordBits + $bits - 1, $bits);
        $parity = $row->optional('parity')?->bool() ?? false;
        $refs = self::numbered($row->at('first'), $chips + ($parity ? 1 : 0));
        $order = $row->at('bit_0')->string();
        in_array($order, ['first', 'last'], true) || $row->at('bit_0')->refuse('must be first or last');
        $list = [];
        for ($i = 0; $i < $chips; ++$i) {
            $lane = $order === 'first' ? $i : $chips - 1 - $i;
            $list[] = ['ref' => $refs[$i], 'bits' => range($lane * $bits, min($wordBits, ($lane + 1) * $bits) - 1)];
        }
        usort($list, static fn (array $a, array $b): int => $a['bits'][0] <=> $b['bits'][0]);
        $half = log($words, 2) / 2;

        return [
            'name' => $row->at('name')->name(), 'start' => $radix->format($radix->take($row->at('start'))), 'words' => $words, 'chips' => $list,
            ...($parity ? ['parity' => ['ref' => $refs[$chips]]] : []),
            ...($technology !== Technology::Sram && $half === floor($half) && $half >= 1 ? ['row_bits' => (int) $half, 'column_bits' => (int) $half] : []),
        ];
    }

    /**
     * U30, U31, ... or M1A, M2A, ...: the last number in the first designator counts up.
     *
     * @return list<string>
     */
    private static function numbered(Node $first, int $count): array
    {
        if (preg_match('/^(.*?)(\d{1,6})(\D*)$/sD', $first->text(40), $m) !== 1) {
            $first->refuse('must have a number in it that counts up, such as U30');
        }

        return array_map(
            static fn (int $i): string => $m[1].str_pad((string) ((int) $m[2] + $i), strlen($m[2]), '0', STR_PAD_LEFT).$m[3],
            range(0, $count - 1),
        );
    }
}
