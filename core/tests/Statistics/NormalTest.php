<?php

declare(strict_types=1);

namespace Ash\Tests\Statistics;

use Ash\Statistics\Normal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Against R 4.2.2: pnorm(z), and 2*pnorm(-x*sqrt(2)) for erfc(x). */
final class NormalTest extends TestCase
{
    /** @return list<array{float, float}> */
    public static function pnorm(): array
    {
        return [
            [-8, 6.2209605742717849e-16], [-5, 2.8665157187919391e-07], [-2.5, 0.0062096653257761349], [-1.96, 0.024997895148220428],
            [-1, 0.15865525393145705], [0, 0.5],
            [0.5, 0.69146246127401301], [1.6448536269514722, 0.95], [2.3263478740408408, 0.99], [3.6, 0.99984089140984245], [6, 0.9999999990134123],
        ];
    }

    #[DataProvider('pnorm')]
    public function test_agrees_with_pnorm(float $z, float $p): void
    {
        self::assertEqualsWithDelta($p, Normal::cdf($z), $p * 1e-11);
    }

    /** @return list<array{float, float}> */
    public static function erfc(): array
    {
        return [
            [0, 1],
            [0.1, 0.88753708398171516],
            [1, 0.15729920705028513],
            [2.4, 0.00068851389664507869],
            [2.6, 0.00023603441652934897],
            [4, 1.5417257900279984e-08],
            [10, 2.088487583762529e-45],
            [30, 0],
        ];
    }

    #[DataProvider('erfc')]
    public function test_erfc_on_both_sides_of_the_seam(float $x, float $value): void
    {
        self::assertEqualsWithDelta($value, Normal::erfc($x), max($value * 1e-11, 1e-300));
        self::assertEqualsWithDelta(2 - $value, Normal::erfc(-$x), 1e-14);
    }
}
