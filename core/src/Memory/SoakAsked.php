<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\Positive;
use Ash\Document\Field\Whole;
use Ash\Document\Node;
use Ash\Document\Settled;

/** Passes that were run, and how many of them failed. */
final readonly class SoakAsked implements Settled
{
    /**
     * @param int    $errors         passes that showed one
     * @param float  $confidence     one-sided
     * @param ?float $targetRate     failed passes a pass
     * @param ?float $secondsPerPass s
     */
    public function __construct(
        #[Whole(1, 1_000_000_000)]
        public int $passes,
        #[Whole(0)]
        public int $errors,
        #[Share]
        public float $confidence = 0.95,
        #[Share]
        public ?float $targetRate = null,
        #[Positive]
        public ?float $secondsPerPass = null,
    ) {
    }

    public function settled(Node $read): static
    {
        $this->errors <= $this->passes || $read->at('errors')->refuse("must be at most the number of passes, {$this->passes}");

        return $this;
    }
}
