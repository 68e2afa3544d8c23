<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Node;

/** A part that is swapped. */
final readonly class SwapPart
{
    /** Prior probability of being bad: bench estimates of the handbook. */
    private const PRIOR = 0.05;
    private const KNOWN_GOOD = 0.01;
    private const MINUTES = 5.0;

    private function __construct(public string $id, public string $role, public float $prior, public float $minutes)
    {
    }

    /** @param ?float $prior probability, above 0 and below 1; null: by whether it is known to be good */
    public static function of(string $id, string $role, bool $knownGood = false, ?float $prior = null, ?float $minutes = null): self
    {
        return new self($id, $role, $prior ?? ($knownGood ? self::KNOWN_GOOD : self::PRIOR), $minutes ?? self::MINUTES);
    }

    public static function read(Node $node): self
    {
        $node->only('id', 'role', 'prior', 'known_good', 'minutes');
        $prior = $node->optional('prior');

        return self::of(
            $node->at('id')->name(),
            $node->at('role')->name(),
            $node->optional('known_good')?->bool() ?? false,
            $prior === null ? null : self::open($prior),
            $node->optional('minutes')?->positive(),
        );
    }

    /** A probability that is neither 0 nor 1. */
    public static function open(Node $node): float
    {
        return $node->number() > 0.0 && $node->number() < 1.0 ? $node->number() : $node->refuse('must be above 0 and below 1');
    }
}
