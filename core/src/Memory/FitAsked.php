<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\Positive;

/** A chip and the socket it may go into. */
final readonly class FitAsked
{
    /**
     * @param ?float $requiredAccessNs  ns; speed is judged when both access times are known
     * @param ?float $candidateAccessNs ns
     */
    public function __construct(
        public ChipType $fitted,
        public ChipType $candidate,
        #[Positive]
        public ?float $requiredAccessNs = null,
        #[Positive]
        public ?float $candidateAccessNs = null,
    ) {
    }
}
