<?php

declare(strict_types=1);

namespace Ash\Document\Field;

use Ash\Document\Node;
use Ash\Document\Plain;

/** True or false. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Flag extends Plain
{
    public function read(Node $node): bool
    {
        return $node->bool();
    }

    public function schema(): array
    {
        return ['type' => 'boolean'];
    }
}
