<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Field\ListOf;
use Ash\Document\Field\Name;
use Ash\Document\Field\Shaped;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Logbook\EntryData;

/** Parts that were fitted together, and what came of it. */
final readonly class SwapTried implements EntryData, Settled
{
    public const KIND = 'swap_run';

    /**
     * @param list<SwapFitted> $parts
     * @param ?string          $condition under which it was tried: cold, after ten minutes, on its side
     * @param ?string          $beeps     as heard: "1 long 2 short"
     */
    public function __construct(
        #[ListOf(new Shaped(SwapFitted::class))] public array $parts,
        public SwapOutcome $outcome,
        #[Name] public ?string $condition = null,
        #[Name] public ?string $beeps = null,
    ) {
    }

    public function settled(Node $read): static
    {
        $parts = $read->at('parts')->items(Bounds::NAMES);
        $parts !== [] || $read->at('parts')->refuse('must name at least one part');
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('id'), $parts));

        return $this;
    }

    public function sentence(string $text): string
    {
        return implode(', ', array_map(static fn (SwapFitted $it): string => $it->id, $this->parts)).": {$this->outcome->words()}"
            .($this->beeps === null ? '' : ", beeps {$this->beeps}").($this->condition === null ? '' : " ({$this->condition})");
    }
}
