<?php

declare(strict_types=1);

namespace Ash\Tests\Memory;

use Ash\Memory\MemoryRoom;
use Ash\Memory\Pattern;
use Ash\Tests\Asks;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Faults put into randomly made memories, the errors a tester would report, and whether the fault comes out first. The memory is an
 * array of words behind a wire (address to address) and a bus (word to word); nothing of the core is used to make the errors but the
 * pattern's words.
 *
 * @phpstan-type Shape array{bits: int, wide: int, banks: int, row: int, column: int, parity: bool}
 */
final class ScenariosTest extends TestCase
{
    use Asks;

    private const KINDS = ['chip', 'chip_part', 'data_line', 'bank', 'everything', 'address_line', 'pin', 'parity', 'cell', 'several_chips'];

    public function test_the_injected_fault_comes_first_in_at_least_97_of_100(): void
    {
        $misses = $open = [];
        $count = array_fill_keys(self::KINDS, 0);
        for ($seed = 1; $seed <= 500; ++$seed) {
            $kind = self::KINDS[$seed % count(self::KINDS)];
            [$document, $want] = self::scenario($kind, new Randomizer(new Mt19937($seed)));
            /**
             * @var array{suspects: list<array{kind: string, ref: ?string, refs: list<string>, bank: ?string, bits: list<int|string>, address_bits: list<int>,
             * probability: float}>} $found
             */
            $found = self::put(new MemoryRoom(), 'locate', $document);
            $top = $found['suspects'][0] ?? self::fail("seed {$seed}: no suspect for {$kind}");
            $is = match ($want['kind']) {
                'chip', 'chip_part' => ['kind' => $top['kind'], 'ref' => $top['ref'], 'bits' => $top['bits']],
                'data_line' => ['kind' => $top['kind'], 'bits' => $top['bits']],
                'bank' => ['kind' => $top['kind'], 'bank' => $top['bank']],
                'several_chips' => ['kind' => $top['kind'], 'refs' => $top['refs']],
                'address_line' => ['kind' => $top['kind'], 'address_bits' => $top['address_bits']],
                default => ['kind' => $top['kind']],
            };
            ++$count[$kind];
            if ($is !== $want && $kind === 'bank' && $top['kind'] === 'chip' && count($top['bits']) === self::bits($document)) {
                $open[] = $seed;
            } elseif ($is !== $want) {
                $misses[] = "seed {$seed}: ".json_encode($want).' came out as '.json_encode($is).' with '.round($top['probability'], 3);
            }
        }
        self::assertGreaterThanOrEqual(50, min($count));
        self::assertLessThanOrEqual(15, count($misses) + count($open));
        // Where one chip holds the whole word, chip and bank predict the same pairs and the priors decide: 10 to 3.
        self::assertSame([], $misses, 'only a bank of one chip may be taken for its chip');
    }

    /** @param array<string, mixed> $document */
    private static function bits(array $document): int
    {
        return is_array($document['map']) && is_int($document['map']['word_bits']) ? $document['map']['word_bits'] : 0;
    }

    /** @return array{array<string, mixed>, array<string, mixed>} the document of the errors, and what should come first */
    private static function scenario(string $kind, Randomizer $random): array
    {
        $wide = $kind === 'chip_part' ? $random->pickArrayKeys([2 => 1, 4 => 1], 1)[0] : $random->pickArrayKeys([1 => 1, 2 => 1, 4 => 1], 1)[0];
        /** @var Shape $shape */
        $shape = ['bits' => $random->getInt(match ($kind) {
            'pin', 'address_line' => 2, 'several_chips' => 3, default => 1,
        },
            4) * 4, 'wide' => $wide, 'banks' => $random->getInt(2, 4), 'row' => 3, 'column' => $random->getInt(2, 3),
            'parity' => $kind === 'parity' || $random->getInt(0, 1) === 1];
        $words = 2 ** ($shape['row'] + $shape['column']);
        $all = (1 << $shape['bits']) - 1;
        $bank = $random->getInt(0, $shape['banks'] - 1);
        $chip = $random->getInt(0, intdiv($shape['bits'], $wide) - 1);
        $bit = $random->getInt(0, $shape['bits'] - 1);
        $stuck = $random->getInt(0, 1) === 1;
        $force = static fn (int $word, int $mask): int => $stuck ? $word | $mask : $word & ~$mask;
        $in = static fn (int $address): bool => intdiv($address, $words) === $bank;
        $wire = $bus = static fn (int $it): int => $it;
        $want = ['kind' => $kind];
        switch ($kind) {
            case 'chip':
                $mask = ((1 << $wide) - 1) << ($chip * $wide);
                $bus = static fn (int $word, int $at): int => $in($at) ? $force($word, $mask) : $word;
                $want += ['ref' => "C{$bank}-{$chip}", 'bits' => range($chip * $wide, $chip * $wide + $wide - 1)];
                break;
            case 'cell':
                $cell = $random->getInt(0, $words - 1) + $bank * $words;
                $bus = static fn (int $word, int $at): int => $at === $cell ? $word ^ (1 << $bit) : $word;
                $want = ['kind' => $wide === 1 ? 'chip' : 'chip_part', 'ref' => 'C'.$bank.'-'.intdiv($bit, $wide), 'bits' => [$bit]];
                break;
            case 'chip_part':
                $bus = static fn (int $word, int $at): int => $in($at) ? $force($word, 1 << $bit) : $word;
                $want += ['ref' => 'C'.$bank.'-'.intdiv($bit, $wide), 'bits' => [$bit]];
                break;
            case 'data_line':
                $bus = static fn (int $word): int => $force($word, 1 << $bit);
                $want += ['bits' => [$bit]];
                break;
            case 'bank':
                $bus = static fn (int $word, int $at): int => $in($at) ? ($stuck ? $all : 0) : $word;
                $want += ['bank' => "B{$bank}"];
                break;
            case 'everything':
                $bus = static fn (): int => $stuck ? $all : 0;
                break;
            case 'address_line':
                $line = $random->getInt(0, $shape['row'] + $shape['column'] - 1);
                $wire = static fn (int $at): int => $force($at, 1 << $line);
                $want += ['address_bits' => [$line]];
                break;
            case 'pin':
                $pin = $random->getInt(0, min($shape['row'], $shape['column']) - 1);
                $wire = static fn (int $at): int => $force($at, (1 << $pin) | (1 << $pin + $shape['column']));
                $want = ['kind' => 'address_line', 'address_bits' => [$pin, $pin + $shape['column']]];
                break;
            case 'several_chips':
                $other = ($chip + 1) % intdiv($shape['bits'], $wide);
                $mask = ((1 << $wide) - 1) << ($chip * $wide) | ((1 << $wide) - 1) << ($other * $wide);
                $bus = static fn (int $word, int $at): int => $in($at) ? $force($word, $mask) : $word;
                $want += ['refs' => array_map(static fn (int $it): string => "C{$bank}-{$it}", [min($chip, $other), max($chip, $other)])];
                break;
            default:
                $want = ['kind' => 'chip', 'ref' => "P{$bank}", 'bits' => ['P']];
        }
        $errors = $kind === 'parity'
            ? array_map(
                // The tester read the data and found them good; "kind": "parity" alone would be a stop, of which any chip may be the cause.
                static fn (): array => ['bank' => "B{$bank}", 'bit' => 'P'],
                array_values(array_filter(range(0, $words - 1), static fn (): bool => $random->getInt(0, 1) === 1)),
            )
            : self::errors($words * $shape['banks'], $shape['bits'], $wire, $bus);

        return [['map' => self::map($shape, $words), 'pattern' => 'mix', 'errors' => $errors], $want];
    }

    /**
     * @param \Closure(int): int      $wire
     * @param \Closure(int, int): int $bus
     *
     * @return list<array{address: string, expected: string, actual: string}>
     */
    private static function errors(int $words, int $bits, \Closure $wire, \Closure $bus): array
    {
        $store = $errors = [];
        for ($at = 0; $at < $words; ++$at) {
            $store[$wire($at)] = Pattern::Mix->word($at, $bits);
        }
        for ($at = 0; $at < $words; ++$at) {
            [$expected, $actual] = [Pattern::Mix->word($at, $bits), $bus($store[$wire($at)], $at)];
            if ($expected !== $actual) {
                $errors[] = ['address' => dechex($at), 'expected' => dechex($expected), 'actual' => dechex($actual)];
            }
        }

        return $errors;
    }

    /**
     * @param Shape $shape
     *
     * @return array<string, mixed>
     */
    private static function map(array $shape, int $words): array
    {
        return ['word_bits' => $shape['bits'], 'banks' => array_map(static fn (int $b): array => [
            'name' => "B{$b}", 'start' => dechex($b * $words), 'words' => $words, 'row_bits' => $shape['row'], 'column_bits' => $shape['column'],
            'chips' => array_map(
                static fn (int $c): array => ['ref' => "C{$b}-{$c}", 'bits' => range($c * $shape['wide'], $c * $shape['wide'] + $shape['wide'] - 1)],
                range(0, intdiv($shape['bits'], $shape['wide']) - 1),
            ),
        ] + ($shape['parity'] ? ['parity' => ['ref' => "P{$b}"]] : []), range(0, $shape['banks'] - 1))];
    }
}
