<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\Node;

/** A source that proved wrong, and in what. */
final readonly class SourceNote
{
    private function __construct(public string $source, public string $note)
    {
    }

    /** @return list<self> */
    public static function readAll(?Node $list): array
    {
        return array_map(
            static fn (Node $it): self => new self($it->only('source', 'note')->at('source')->text(200), $it->at('note')->text(1000)),
            $list?->items() ?? [],
        );
    }
}
