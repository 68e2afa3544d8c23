<?php

declare(strict_types=1);

namespace Ash\Tests\Memory;

use Ash\Document\InvalidDocument;
use Ash\Memory\RowsLine;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Rows of chips in one line; words and bits of each chip as its public sheet has them (from memory). */
final class RowsLineTest extends TestCase
{
    /** @return array<string, array{string, string}> */
    public static function lines(): array
    {
        return [
            'two rows of eight' => ['2 x 8 4116 U20 at 0', '8 bits: 0 at 0 U20-U27; 1 at 4000 U28-U35'],
            'parity' => ['9 4164 at 0', '8 bits: 0 at 0 U1-U8 +U9'],
            'four-bit chips' => ['4 44256', '16 bits: 0 at 0 U1-U4'],
            'an address and another letter' => ['2x8 4164 IC101A at $10000', '8 bits: 0 at 10000 IC101A-IC108A; 1 at 20000 IC109A-IC116A'],
            'one static chip' => ['1 6264 M3 from 8000', '8 bits: 0 at 8000 M3-M3'],
            'sixteen bits' => ['16 4116 U40', '16 bits: 0 at 0 U40-U55'],
        ];
    }

    #[DataProvider('lines')]
    public function test_a_line_becomes_a_map(string $line, string $map): void
    {
        $memory = RowsLine::read($line, '/line')->memory('main', '/line')['map'];
        self::assertIsArray($memory);
        $banks = array_map(static fn (array $it): string => "{$it['name']} at {$it['start']} {$it['chips'][0]['ref']}-".end($it['chips'])['ref']
            .(isset($it['parity']) ? " +{$it['parity']['ref']}" : ''), $memory['banks']);
        self::assertSame($map, "{$memory['word_bits']} bits: ".implode('; ', $banks));
    }

    public function test_what_is_not_understood_is_said(): void
    {
        foreach ([
            '' => 'not understood', '2 x 8' => 'not understood', '8 4117' => 'no chip of the list', '0 4116' => '1 to 63 bits',
            '99 x 8 4116' => '32 rows', '64 4116' => '1 to 63 bits', '8 4116 at zz' => 'number in radix 16',
        ] as $line => $words) {
            try {
                RowsLine::read($line, '/line')->memory('main', '/line');
                self::fail("\"{$line}\" was taken");
            } catch (InvalidDocument $fault) {
                self::assertSame('/line', $fault->pointer);
                self::assertStringContainsString($words, $fault->detail);
            }
        }
    }
}
