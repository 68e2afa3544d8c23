<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Node;

/** How often something was tried under a condition, and how often it failed. */
final readonly class ConditionTried
{
    public function __construct(public string $name, public int $trials, public int $failures)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('name', 'trials', 'failures');
        $trials = $node->at('trials')->integer(1, Bounds::TRIALS);
        $failures = $node->at('failures')->integer(0, Bounds::TRIALS);
        $failures <= $trials || $node->at('failures')->refuse("must be at most the trials, {$trials}");

        return new self($node->at('name')->name(), $trials, $failures);
    }

    public function rate(): float
    {
        return $this->failures / $this->trials;
    }

    /** Failures of so many more trials at the same rate, rounded half up. */
    public function atRate(int $more): int
    {
        return intdiv(2 * $this->failures * $more + $this->trials, 2 * $this->trials);
    }
}
