<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\Node;

/** A board of a machine, as its description names it. */
final readonly class ProfileBoard
{
    private function __construct(public string $key, public string $name, public ?string $serial)
    {
    }

    /** @return non-empty-list<self> */
    public static function readAll(Node $list): array
    {
        $nodes = $list->items();
        $boards = array_map(static fn (Node $board): self => new self(
            $board->only('key', 'name', 'serial')->at('key')->text(40),
            $board->at('name')->text(120),
            $board->optional('serial')?->text(60),
        ), $nodes);
        Node::distinct(array_map(static fn (Node $board): Node => $board->at('key'), $nodes));

        return $boards === [] ? $list->refuse('must list at least one board') : $boards;
    }
}
