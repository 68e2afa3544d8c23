<?php

declare(strict_types=1);

namespace App\Memory;

use Ash\Document\Node;
use Ash\Document\Plain;

/** Names of banks: a list, or with commas as a form sends them. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class BankNames extends Plain
{
    /** @return non-empty-list<string> */
    public function read(Node $node): array
    {
        $raw = $node->raw();
        $nodes = is_string($raw) ? array_map(static fn (string $name): Node => Node::of($name, $node->pointer), explode(',', $raw)) : $node->items();
        Node::distinct($nodes);

        return $nodes === [] ? $node->refuse('must name at least one bank') : array_map(static fn (Node $it): string => $it->string(), $nodes);
    }

    public function schema(): array
    {
        return ['type' => ['array', 'string'], 'items' => ['type' => 'string']];
    }
}
