<?php

declare(strict_types=1);

namespace Ash\Tests\Quantity;

use Ash\Quantity\Radix;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RadixTest extends TestCase
{
    /** @return list<array{Radix, string, ?int}> a mark belongs to its own radix only, in either case, once */
    public static function written(): array
    {
        return [
            [Radix::Hexadecimal, '1A3F', 0x1A3F], [Radix::Hexadecimal, '0x1a3f', 0x1A3F], [Radix::Hexadecimal, '0X10', 16],
            [Radix::Hexadecimal, '$10', 16], [Radix::Hexadecimal, '10h', 16], [Radix::Hexadecimal, '10H', 16],
            [Radix::Hexadecimal, '0b1', 0xB1], [Radix::Hexadecimal, '0x0x1', null], [Radix::Hexadecimal, '$0x1', null],
            [Radix::Hexadecimal, '0x10h', null], [Radix::Hexadecimal, '0x', null], [Radix::Hexadecimal, '', null], [Radix::Hexadecimal, '-1', null],
            [Radix::Hexadecimal, ' 1', null], [Radix::Hexadecimal, "1\n", null],
            [Radix::Hexadecimal, '7FFFFFFFFFFFFFFF', PHP_INT_MAX], [Radix::Hexadecimal, '8000000000000000', null],
            [Radix::Hexadecimal, '00000000000000000001', 1],
            [Radix::Octal, '0o17', 15], [Radix::Octal, '0O17', 15], [Radix::Octal, '017', 15], [Radix::Octal, '18', null],
            [Radix::Octal, '0x17', null], [Radix::Octal, '17h', null], [Radix::Octal, '777777777777777777777', PHP_INT_MAX],
            [Radix::Octal, '1000000000000000000000', null],
            [Radix::Binary, '0b101', 5], [Radix::Binary, '0B101', 5], [Radix::Binary, '102', null], [Radix::Binary, '0o1', null],
            [Radix::Decimal, '0042', 42], [Radix::Decimal, '9223372036854775807', PHP_INT_MAX], [Radix::Decimal, '9223372036854775808', null],
            [Radix::Decimal, '0x1', null], [Radix::Decimal, '1.5', null],
        ];
    }

    #[DataProvider('written')]
    public function test_reads_what_is_written_in_the_radix_and_nothing_else(Radix $radix, string $text, ?int $value): void
    {
        self::assertSame($value, $radix->parse($text));
    }

    public function test_formats_what_it_reads(): void
    {
        foreach (Radix::cases() as $radix) {
            foreach ([0, 1, 26, 0x1A3F, (1 << 53) + 1, PHP_INT_MAX] as $value) {
                self::assertSame($value, $radix->parse($radix->format($value)));
            }
        }
        self::assertSame(['11010', '32', '26', '1A'], array_map(static fn (Radix $it): string => $it->format(26), Radix::cases()));
    }
}
