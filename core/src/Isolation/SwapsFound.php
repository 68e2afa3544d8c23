<?php

declare(strict_types=1);

namespace Ash\Isolation;

/** What the runs say. */
final readonly class SwapsFound
{
    /**
     * @param list<Diagnosis> $diagnoses      minimal ones, most probable first
     * @param bool            $proved         false: the search for them stopped at its limit
     * @param list<float>     $probabilities  of each part to be bad, in the order of the parts
     * @param list<bool>      $cleared        in the order of the parts
     * @param float           $none           that nothing is bad
     * @param float           $shows          chance that a bad part shows, as it was used
     * @param list<int>       $contradictions numbers of runs, from 1
     * @param list<NextRun>   $next           best first
     * @param list<string>    $reasons
     */
    public function __construct(
        public array $diagnoses,
        public bool $proved,
        public array $probabilities,
        public array $cleared,
        public float $none,
        public float $shows,
        public array $contradictions,
        public float $entropyBits,
        public array $next,
        public array $reasons,
    ) {
    }
}
