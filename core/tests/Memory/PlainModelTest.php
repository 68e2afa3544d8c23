<?php

declare(strict_types=1);

namespace Ash\Tests\Memory;

use Ash\Cli\Door;
use Ash\Memory\MemoryRoom;
use Ash\Rooms;
use Ash\Tests\Asks;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * The core against the plain model on random maps and random errors: chips of one to four bits, parity, interleaved banks, four radices,
 * banks left out, stuck address lines and pins, errors in every form, errors outside the map.
 *
 * @phpstan-import-type PlainBank from PlainModel
 * @phpstan-import-type PlainError from PlainModel
 */
final class PlainModelTest extends TestCase
{
    use Asks;

    private const CHARS = [2 => 'b', 8 => 'o', 10 => 'd', 16 => 'X'];

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 40; ++$seed) {
            yield "seed {$seed}" => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function test_core_and_plain_model_agree(int $seed): void
    {
        mt_srand($seed);
        for ($i = 0; $i < 25; ++$i) {
            $wordBits = [1, 4, 8, 12][mt_rand(0, 3)];
            $banks = self::banks($wordBits);
            $names = array_column($banks, 'name');
            $tested = mt_rand(0, 3) === 0 ? array_slice($names, 0, mt_rand(1, count($names))) : $names;
            $pattern = ['none', 'fold', 'mix'][mt_rand(0, 2)];
            $core = mt_rand(0, 3) === 0;
            $plain = new PlainModel($wordBits, $banks, $tested, $pattern, $core);
            $errors = self::errors($plain, $banks, $tested, $wordBits);
            $radix = [2, 8, 10, 16][mt_rand(0, 3)];
            $document = self::document($banks, $errors, $tested, $pattern, $wordBits, $radix, $core ? 'core' : 'dram');
            $core = self::put(new MemoryRoom(), 'locate', $document);
            $expected = $plain->locate($errors);
            $said = json_encode($document, JSON_THROW_ON_ERROR);
            /** @var list<array{kind: string, probability: float}> $suspects */
            $suspects = $core['suspects'];
            self::assertCount(count($expected['found']), $suspects, $said);
            self::assertEqualsCanonicalizing(array_column($expected['found'], 0), array_column($suspects, 'kind'), $said);
            foreach ($suspects as $rank => $suspect) {
                self::assertEqualsWithDelta($expected['found'][$rank][1], $suspect['probability'], 1e-9, $said);
            }
            /** @var list<array{bank: string, bit: int|string, errors: int}> $matrix */
            $matrix = $core['matrix'];
            $seen = [];
            foreach ($matrix as $row) {
                $row['errors'] === 0 ?: $seen["{$row['bank']}/{$row['bit']}"] = $row['errors'];
            }
            self::assertEquals($expected['matrix'], $seen, $said);
            self::assertSame($expected['unmapped'], $core['unmapped'], $said);
        }
    }

    /** A file takes rows that are alike at once, a document one by one: more than the sample holds, in any order. */
    public function test_a_file_says_the_same_as_the_list(): void
    {
        mt_srand(5);
        foreach (['none', 'fold', 'mix', 'mix', 'mix', 'mix', 'mix', 'mix'] as $i => $pattern) {
            $wordBits = [4, 8, 12][$i % 3];
            $banks = self::banks($wordBits);
            $names = array_column($banks, 'name');
            $plain = new PlainModel($wordBits, $banks, $names, $pattern, $i % 2 === 1);
            $few = [...self::errors($plain, $banks, $names, $wordBits), ...self::errors($plain, $banks, $names, $wordBits)];
            $errors = array_map(static fn (int $_): array => $few[mt_rand(0, count($few) - 1)], range(1, 6000));
            $document = self::document($banks, $errors, $names, $pattern, $wordBits, 16, $i % 2 === 1 ? 'core' : 'dram');
            $fields = ['address', 'expected', 'actual', 'kind', 'bank', 'bit', 'ref'];
            /** @var list<array<string, string|int>> $list */
            $list = $document['errors'];
            $csv = implode(',', $fields)."\r\n".implode("\r\n", array_map(
                static fn (array $row): string => implode(',', array_map(static fn (string $field): string => (string) ($row[$field] ?? ''), $fields)),
                $list,
            ));
            $file = $document;
            unset($file['errors']);
            [, $out, $err] = (new Door(...Rooms::all()))->open(
                ['memory', 'locate', '--errors', 'errors.csv'],
                static fn (): string => json_encode($file, JSON_THROW_ON_ERROR),
                static fn (): array => str_split($csv, mt_rand(1000, 90_000)),
            );
            self::assertSame('', $err);
            self::assertEquals(self::put(new MemoryRoom(), 'locate', $document), json_decode($out, true), "run {$i}");
        }
    }

    /** @return list<PlainBank> */
    private static function banks(int $wordBits): array
    {
        $count = mt_rand(1, 4);
        $mask = $count === 2 || $count === 4 ? [0, $count - 1][mt_rand(0, 1)] : 0;
        $address = mt_rand(3, 8);
        $start = [0, 4096][mt_rand(0, 1)];
        $banks = [];
        $ref = 1;
        for ($b = 0; $b < $count; ++$b) {
            $chips = [];
            foreach (array_chunk(range(0, $wordBits - 1), [1, 1, 2, 4][mt_rand(0, 3)]) as $bits) {
                $chips[] = ['ref' => 'U'.$ref++, 'bits' => $bits];
            }
            $rows = mt_rand(0, 1) * mt_rand(1, $address - 1);
            $banks[] = [
                'name' => "b{$b}", 'start' => $start + ($mask === 0 ? $b << $address : 0), 'words' => 2 ** $address, 'chips' => $chips,
                'parity' => mt_rand(0, 1) === 0 ? null : 'U'.$ref++,
                'mask' => $mask, 'value' => $mask === 0 ? 0 : $b, 'row_bits' => $rows, 'column_bits' => $rows === 0 ? 0 : $address - $rows,
            ];
        }

        return $banks;
    }

    /**
     * @param list<PlainBank> $banks
     * @param list<string>    $tested
     *
     * @return list<PlainError>
     */
    private static function errors(PlainModel $plain, array $banks, array $tested, int $wordBits): array
    {
        $kind = mt_rand(0, 8);
        $other = mt_rand(0, $wordBits - 1);
        $far = mt_rand(0, 7);
        $at = $banks[0];
        $bit = mt_rand(0, $wordBits - 1);
        $line = mt_rand(0, 7);
        $errors = [];
        $row = mt_rand(0, 1);
        for ($i = mt_rand(1, 25); $i > 0; --$i) {
            $bank = $banks[mt_rand(0, count($banks) - 1)];
            $address = $plain->address($bank, mt_rand(0, $bank['words'] - 1));
            // On one line of the first bank, for core.
            $cell = $at['column_bits'] === 0 ? 0 : ($row << $at['column_bits'] | mt_rand(0, 2 ** $at['column_bits'] - 1)) % $at['words'];
            $both = 1 << $bit | 1 << $other;
            $word = $plain->word($address, 'mix');
            $errors[] = match ([$kind, $kind === 4 ? mt_rand(0, 5) : 0]) {
                [5, 0] => [
                    'address' => $address,
                    'expected' => $word,
                    'actual' => ($word & $both) !== 0 && $word !== ($word | $both) ? $word | $both : $word ^ 1 << $bit,
                ],
                [6, 0] => ['address' => $address, 'expected' => $word, 'actual' => $plain->word($address | 1 << $line | 1 << $far, 'mix')],
                [7, 0] => ['address' => $plain->address($at, $cell), 'expected' => 0, 'actual' => 1 << mt_rand(0, $wordBits - 1)],
                [8, 0] => mt_rand(0, 2) === 0 && $i % 5 === 0
                    ? ['address' => $address, 'expected' => 0, 'actual' => $both]
                    : ['address' => $address, 'parity' => true],
                [0, 0] => ['address' => $address, 'expected' => $word, 'actual' => $word ^ 1 << $bit],
                [1, 0] => ['address' => $address, 'expected' => $word, 'actual' => mt_rand(0, 2 ** $wordBits - 1)],
                [2, 0] => ['address' => $address, 'expected' => $word, 'actual' => $plain->word($address ^ 1 << $line, 'mix')],
                [3, 0] => ['address' => $address, 'expected' => $plain->word($address, 'fold'), 'actual' => $plain->word($address ^ 1 << $line, 'fold')],
                [4, 1] => ['address' => $address, 'parity' => true],
                [4, 2] => ['bank' => $bank['name'], 'bit' => $bit],
                [4, 3] => ['ref' => $bank['parity'] ?? $bank['chips'][0]['ref']],
                [4, 4] => ['address' => 20000 + $address, 'expected' => 0, 'actual' => 1],
                default => ['address' => $address, 'expected' => 0, 'actual' => 1 << $bit],
            };
        }

        return $errors;
    }

    /**
     * @param list<PlainBank>  $banks
     * @param list<PlainError> $errors
     * @param list<string>     $tested
     *
     * @return array<string, mixed>
     */
    private static function document(array $banks, array $errors, array $tested, string $pattern, int $wordBits, int $radix, string $technology): array
    {
        $say = static fn (int $number): string => sprintf('%'.self::CHARS[$radix], $number);
        $bank = static fn (array $it): array => [
            'name' => $it['name'], 'start' => $say($it['start']), 'words' => $it['words'], 'chips' => $it['chips'],
            ...($it['parity'] === null ? [] : ['parity' => ['ref' => $it['parity']]]),
            ...($it['mask'] === 0 ? [] : ['select' => ['mask' => $say($it['mask']), 'value' => $say($it['value'])]]),
            ...($it['row_bits'] === 0 ? [] : ['row_bits' => $it['row_bits'], 'column_bits' => $it['column_bits']]),
        ];
        $error = static fn (array $it): array => match (true) {
            isset($it['parity']) => ['address' => $say($it['address']), 'kind' => 'parity'],
            isset($it['address']) => ['address' => $say($it['address']), 'expected' => $say($it['expected']), 'actual' => $say($it['actual'])],
            default => $it,
        };

        return [
            'map' => ['radix' => $radix, 'word_bits' => $wordBits, 'technology' => $technology, 'banks' => array_map($bank, $banks)],
            'errors' => array_map($error, $errors),
            'tested' => $tested,
            'pattern' => $pattern,
        ];
    }
}
