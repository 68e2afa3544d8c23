<?php

declare(strict_types=1);

namespace Ash\Tests\Statistics;

use Ash\Statistics\Beta;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Against R 4.2.2: pbeta(x, a, b), qbeta(p, a, b), lgamma(x). */
final class BetaTest extends TestCase
{
    /** @return list<array{float, float, float, float}> */
    public static function pbeta(): array
    {
        return [
            [0.3, 2, 5, 0.579825],
            [0.9, 0.5, 0.5, 0.795167235300867],
            [0.01, 3, 200, 0.328761828961611],
            [0.5, 100, 120, 0.911796062794982],
            [0.0, 2, 3, 0.0],
            [1.0, 2, 3, 1.0],
        ];
    }

    #[DataProvider('pbeta')]
    public function test_agrees_with_pbeta_and_its_quantile_turns_back(float $x, float $a, float $b, float $p): void
    {
        self::assertEqualsWithDelta($p, Beta::cdf($x, $a, $b), 1e-12);
        if ($p > 0 && $p < 1) {
            self::assertEqualsWithDelta($x, Beta::quantile($p, $a, $b), 1e-10);
        }
    }

    public function test_log_gamma(): void
    {
        foreach ([[0.3, 1.09579799481808], [5.5, 3.95781396761872], [150.25, 601.2615040325], [1.0, 0.0]] as [$x, $value]) {
            self::assertEqualsWithDelta($value, Beta::logGamma($x), 1e-10);
        }
    }
}
