<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\ListOf;
use Ash\Document\Field\NotNegative;
use Ash\Document\Node;
use Ash\Document\Settled;

/** What is fitted, and what the machine counts. */
final readonly class SumAsked implements Settled
{
    /** @param list<Module> $modules of different names */
    public function __construct(#[ListOf(Module::class, most: 64)] public array $modules, #[NotNegative] public float $countedKib)
    {
    }

    public function settled(Node $read): static
    {
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('name'), $read->at('modules')->items()));

        return $this;
    }
}
