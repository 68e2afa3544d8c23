<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Node;
use Ash\Quantity\Compare;
use Ash\Statistics\Fisher;

/** Failures under two conditions: chance, or a clue? */
final readonly class Conditions
{
    /** A condition below it is called a clue: common practice, no source. */
    private const CLUE = 0.05;

    /** Below so many trials on a side the numbers are small. */
    private const FEW = 10;
    private const MOST_MORE = 1000;

    private function __construct(
        public ConditionTried $a,
        public ConditionTried $b,
        public float $pValue,
        public bool $clue,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->only('a', 'b');
        $it = self::of(ConditionTried::read($node->at('a')), ConditionTried::read($node->at('b')));
        Node::distinct([$node->at('a')->at('name'), $node->at('b')->at('name')]);

        return $it;
    }

    public static function of(ConditionTried $a, ConditionTried $b): self
    {
        $p = Fisher::twoSided($a->failures, $a->trials, $b->failures, $b->trials);
        $clue = self::decides($p);

        return new self($a, $b, $p, $clue);
    }

    /** @return ?int trials to add on each side, failing at the same rates, that would make it a clue; null when no thousand would. Costs a test each. */
    public function moreTrials(): ?int
    {
        return $this->clue ? 0 : self::more($this->a, $this->b);
    }

    public function text(): string
    {
        $said = "fails {$this->a->failures} of {$this->a->trials} {$this->a->name} and {$this->b->failures} of {$this->b->trials} {$this->b->name}: "
            .($this->clue ? 'unlikely to be chance' : 'may be chance').' (p = '.self::figure($this->pValue).')';
        if (min($this->a->trials, $this->b->trials) >= self::FEW) {
            return $said;
        }

        $more = $this->moreTrials();

        return $said.'. The numbers are small'.match (true) {
            $this->clue => '',
            $more === null => '; at these rates no thousand more trials on each side would decide',
            default => "; {$more} more ".($more === 1 ? 'trial' : 'trials').' on each side would decide if the same rates went on',
        };
    }

    private static function figure(float $p): string
    {
        return match (true) {
            $p < 1e-4 => 'below 0.0001',
            $p < 0.01 => number_format($p, 4),
            default => number_format($p, 3),
        };
    }

    private static function decides(float $p): bool
    {
        return Compare::below($p, self::CLUE);
    }

    /** The fewest trials to add on each side, failing at the same rates, that would decide. */
    private static function more(ConditionTried $a, ConditionTried $b): ?int
    {
        if ($a->failures * $b->trials === $b->failures * $a->trials) {
            return null;
        }
        for ($n = 1; $n <= self::MOST_MORE; ++$n) {
            if (self::decides(Fisher::twoSided($a->failures + $a->atRate($n), $a->trials + $n, $b->failures + $b->atRate($n), $b->trials + $n))) {
                return $n;
            }
        }

        return null;
    }
}
