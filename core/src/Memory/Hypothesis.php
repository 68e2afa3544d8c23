<?php

declare(strict_types=1);

namespace Ash\Memory;

/** One hypothesis of what is wrong and how likely it is. */
final readonly class Hypothesis
{
    /**
     * @param list<int>    $pairs       predicted, as bank * Locator::WIDTH + bit
     * @param list<string> $refs
     * @param list<int>    $bits        Bank::P for the parity column
     * @param list<int>    $addressBits
     */
    public function __construct(
        public SuspectKind $kind,
        public float $prior,
        public array $pairs,
        public ?string $ref = null,
        public array $refs = [],
        public ?string $bank = null,
        public array $bits = [],
        public array $addressBits = [],
        public bool $certain = false,
        public float $probability = 0.0,
        /** "or" or "and" of an address bridge */
        public string $op = '',
    ) {
    }

    public function with(float $probability): self
    {
        return new self(
            kind: $this->kind,
            prior: $this->prior,
            pairs: $this->pairs,
            ref: $this->ref,
            refs: $this->refs,
            bank: $this->bank,
            bits: $this->bits,
            addressBits: $this->addressBits,
            certain: $this->certain,
            probability: $probability,
            op: $this->op,
        );
    }
}
