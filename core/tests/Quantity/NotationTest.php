<?php

declare(strict_types=1);

namespace Ash\Tests\Quantity;

use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Quantity\UnreadableQuantity;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class NotationTest extends TestCase
{
    use TestTrait;

    /** @return list<array{string, Unit, float}> written as on a bench; the values by hand */
    public static function written(): array
    {
        return [
            ['4k7', Unit::Ohm, 4700.0], ['2R2', Unit::Ohm, 2.2], ['1M', Unit::Ohm, 1e6], ['47m', Unit::Ohm, 0.047], ['10 kohm', Unit::Ohm, 1e4],
            ['0R1', Unit::Ohm, 0.1],
            ['100n', Unit::Farad, 1e-7], ['0.1uF', Unit::Farad, 1e-7], ['0,1 µF', Unit::Farad, 1e-7], ['4n7', Unit::Farad, 4.7e-9],
            ['22p', Unit::Farad, 2.2e-11], ["47\u{03BC}", Unit::Farad, 4.7e-5],
            ['4,98', Unit::Volt, 4.98], ['4.98 V', Unit::Volt, 4.98], ['-12', Unit::Volt, -12.0], ["\u{2212}12 V", Unit::Volt, -12.0],
            ['+5', Unit::Volt, 5.0], ['4V7', Unit::Volt, 4.7],
            ['.5', Unit::Volt, 0.5], ['5.', Unit::Volt, 5.0], ['1e-3', Unit::Volt, 0.001], ['47mV', Unit::Volt, 0.047],
            ['250 mA', Unit::Ampere, 0.25], [' 3 ', Unit::Volt, 3.0], ['20k', Unit::Hertz, 2e4],
        ];
    }

    #[DataProvider('written')]
    public function test_reads_what_people_write(string $typed, Unit $unit, float $value): void
    {
        self::assertSame($value, Notation::read($typed, $unit));
    }

    /** @return list<array{string}> */
    public static function unreadable(): array
    {
        return [[''], ['-'], ['4..9'], ['1,234.5'], ['1.2.3'], ['five'], ['4k7k'], ['k47'], ['NaN'], ['INF'], ['1e999'], ['4R7'], ['0x10'], ['12 13']];
    }

    #[DataProvider('unreadable')]
    public function test_refuses_what_is_no_voltage_and_quotes_it(string $typed): void
    {
        $this->expectException(UnreadableQuantity::class);
        $this->expectExceptionMessage("\"{$typed}\"");
        Notation::read($typed, Unit::Volt);
    }

    /** @return list<array{float, Unit, string}> */
    public static function printed(): array
    {
        return [
            [0.047, Unit::Volt, '47 mV'], [0.0, Unit::Volt, '0 V'], [-0.0, Unit::Volt, '0 V'], [-12.05, Unit::Volt, '-12.05 V'], [999.9996, Unit::Ohm, '1 kΩ'],
            [4.7e-6, Unit::Farad, '4.7 µF'], [1e-7, Unit::Farad, '100 nF'], [2.2e-11, Unit::Farad, '22 pF'], [0.001, Unit::Volt, '1 mV'],
            [1000.0, Unit::Volt, '1 kV'],
            [4.75, Unit::Volt, '4.75 V'], [0.0999999, Unit::Volt, '100 mV'],
        ];
    }

    #[DataProvider('printed')]
    public function test_prints_engineering_notation(float $value, Unit $unit, string $says): void
    {
        self::assertSame($says, Notation::print($value, $unit));
    }

    public function test_what_is_printed_is_read_back_to_five_digits(): void
    {
        $this->forAll(Generators::choose(-99999, 99999), Generators::choose(-9, 6), Generators::elements(Unit::cases()))
            ->then(static function (int $digits, int $power, Unit $unit): void {
                $value = (float) "{$digits}e{$power}";
                self::assertEqualsWithDelta($value, Notation::read(Notation::print($value, $unit), $unit), abs($value) * 1e-12);
            });
    }

    public function test_a_comma_means_what_a_point_means(): void
    {
        $this->forAll(Generators::choose(0, 9999), Generators::choose(0, 999))->then(static function (int $whole, int $part): void {
            self::assertSame(Notation::read("{$whole}.{$part}", Unit::Volt), Notation::read("{$whole},{$part}", Unit::Volt));
        });
    }

    public function test_a_value_on_the_edge_is_inside_and_one_beyond_the_slack_is_not(): void
    {
        self::assertTrue(Compare::atMost(0.1 + 0.2, 0.3));
        self::assertTrue(Compare::atLeast(12 * 0.9, 10.8));
        self::assertFalse(Compare::atMost(0.3 * (1 + 3e-9), 0.3));
        $this->forAll(Generators::choose(1, 100000), Generators::choose(1, 100000))->then(static function (int $a, int $b): void {
            self::assertSame($a <= $b, Compare::atMost($a / 1000, $b / 1000));
            self::assertSame(!($a <= $b), Compare::above($a / 1000, $b / 1000));
        });
    }
}
