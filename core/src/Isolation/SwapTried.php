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

    /**
     * The same run as another job sees it: what both have tried has its name there, the rest of the set is named after where it was tried,
     * and fits no place there.
     *
     * @param array<string, string> $names of its boards there, by identifier of the board, behind a NUL
     * @param string                $where the run was made
     */
    public function seenFrom(array $names, string $where): self
    {
        return new self(array_map(static function (SwapFitted $it) use ($names, $where): SwapFitted {
            $name = $it->board === null ? null : $names["\0{$it->board}"] ?? null;

            return new SwapFitted($name ?? "{$it->id} ({$where})", $name === null ? "{$it->role} ({$where})" : $it->role, $it->knownGood, $it->board);
        }, $this->parts), $this->outcome, $this->condition, $this->beeps);
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
