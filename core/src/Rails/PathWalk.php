<?php

declare(strict_types=1);

namespace Ash\Rails;

/** What a walk along a rail has found so far. */
final readonly class PathWalk
{
    /**
     * @param array{string, string}|null $faultBetween the last good and the first bad point
     * @param list<string>               $reasons
     */
    private function __construct(
        public ?array $faultBetween,
        public ?string $nextPoint,
        public int $segmentsLeft,
        public int $worstCaseProbes,
        public bool $contradiction,
        public array $reasons,
    ) {
    }

    /**
     * @param array{string, string} $faultBetween
     * @param list<string>          $reasons
     */
    public static function of(array $faultBetween, ?string $nextPoint, int $segmentsLeft, int $worstCaseProbes, array $reasons): self
    {
        return new self($faultBetween, $nextPoint, $segmentsLeft, $worstCaseProbes, false, $reasons);
    }

    /** @param list<string> $reasons why there is nothing to search */
    public static function none(array $reasons, bool $contradiction = false): self
    {
        return new self(null, null, 0, 0, $contradiction, $reasons);
    }
}
