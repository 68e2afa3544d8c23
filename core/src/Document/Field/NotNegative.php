<?php

declare(strict_types=1);

namespace Ash\Document\Field;

use Ash\Document\Node;
use Ash\Document\Plain;

/** A number of 0 or more. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class NotNegative extends Plain
{
    public function read(Node $node): float
    {
        return $node->notNegative();
    }

    public function schema(): array
    {
        return ['type' => 'number', 'minimum' => 0];
    }
}
