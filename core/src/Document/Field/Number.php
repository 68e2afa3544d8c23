<?php

declare(strict_types=1);

namespace Ash\Document\Field;

use Ash\Document\Node;
use Ash\Document\Plain;

/** A finite number. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Number extends Plain
{
    public function read(Node $node): float
    {
        return $node->number();
    }

    public function schema(): array
    {
        return ['type' => 'number'];
    }
}
