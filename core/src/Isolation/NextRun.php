<?php

declare(strict_types=1);

namespace Ash\Isolation;

/** A run that could be made next, one change away from one that was. */
final readonly class NextRun
{
    /**
     * @param list<string> $parts
     * @param ?int         $out      place of the part that goes out
     * @param ?int         $in       place of the part that comes in; both null: the same set again, reseated
     * @param int          $base     number of the run that is changed, from 1
     * @param float        $gainBits expected
     * @param float        $works    chance that it works
     * @param int          $order    of the base among the bases
     */
    public function __construct(
        public array $parts,
        public ?int $out,
        public ?int $in,
        public ?string $outName,
        public ?string $inName,
        public int $base,
        public float $gainBits,
        public float $works,
        public float $minutes,
        public int $order,
    ) {
    }
}
