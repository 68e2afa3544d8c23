<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Quantity\Compare;
use Ash\Quantity\Notation;

/**
 * Replace what measures bad, or all of a kind: the sum that decides. With a Beta(a, b) prior for "a part of this kind, age and board
 * is bad" and k bad of n tested, the untested are beta-binomial.
 */
final readonly class Sample
{
    public const PRIOR_A = 0.5;
    public const PRIOR_B = 4.5;

    /** A shop's own history replaces the default prior from this many tested parts on. */
    public const HISTORY_FROM = 30;

    /** @param list<string> $reasons */
    private function __construct(public float $expectedBad, public float $probabilityAnyBad, public RecapAdvice $advice, public array $reasons)
    {
    }

    /** @param float $a, float $b above 0 */
    public static function of(int $tested, int $bad, int $untested, float $a = self::PRIOR_A, float $b = self::PRIOR_B): self
    {
        $none = 0.0;
        for ($i = 0; $i < $untested; ++$i) {
            $none += log($b + $tested - $bad + $i) - log($a + $b + $tested + $i);
        }
        $any = $untested === 0 ? 0.0 : -expm1($none);
        $expected = $untested * ($a + $bad) / ($a + $b + $tested);
        $all = $bad > 0 && (Compare::above($any, 0.5) || Compare::above($expected, 1));

        if ($untested === 0) {
            return new self($expected, $any, RecapAdvice::TestRest, ["{$bad} of {$tested} tested are bad, and all are tested: replace what is bad"]);
        }

        return new self($expected, $any, $all ? RecapAdvice::ReplaceAll : RecapAdvice::TestRest, [
            "{$bad} of {$tested} tested are bad; {$untested} are not tested",
            'expected bad among them '.Notation::plain($expected, 3).', chance that at least one is '.Notation::plain($any * 100, 3).' %',
            $all
                ? 'replace all of the kind: testing the rest costs more than it saves'
                : ($bad === 0 ? 'none was bad: test the rest' : 'test the rest, replace what is bad'),
        ]);
    }

    /**
     * The prior from the shop's own history of the same kind and age, when there is enough of it.
     *
     * @return array{float, float, string} a, b, and which it is
     */
    public static function prior(int $historyTested, int $historyBad): array
    {
        return $historyTested < self::HISTORY_FROM
            ? [
                self::PRIOR_A,
                self::PRIOR_B,
                "default prior, 1 in 10: the shop has tested {$historyTested} of this kind and age, ".self::HISTORY_FROM.' are wanted',
            ]
            : [
                self::PRIOR_A + $historyBad,
                self::PRIOR_B + $historyTested - $historyBad,
                "the shop's own history: {$historyBad} of {$historyTested} of this kind and age were bad",
            ];
    }
}
