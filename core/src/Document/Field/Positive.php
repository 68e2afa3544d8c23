<?php

declare(strict_types=1);

namespace Ash\Document\Field;

use Ash\Document\Node;
use Ash\Document\Plain;

/** A number above 0. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Positive extends Plain
{
    public function read(Node $node): float
    {
        return $node->positive();
    }

    public function schema(): array
    {
        return ['type' => 'number', 'exclusiveMinimum' => 0];
    }
}
