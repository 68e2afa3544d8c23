<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;
use Ash\Document\Plain;

/** A probability or a rate, above 0 and below 1. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Share extends Plain
{
    public function read(Node $node): float
    {
        return $node->number() > 0 && $node->number() < 1 ? $node->number() : $node->refuse('must be above 0 and below 1');
    }

    public function schema(): array
    {
        return ['type' => 'number', 'exclusiveMinimum' => 0, 'exclusiveMaximum' => 1];
    }
}
