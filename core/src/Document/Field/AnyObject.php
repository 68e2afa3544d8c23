<?php

declare(strict_types=1);

namespace Ash\Document\Field;

use Ash\Document\Node;
use Ash\Document\Plain;

/** An object that another reader takes apart. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class AnyObject extends Plain
{
    public function read(Node $node): \stdClass
    {
        return $node->object();
    }

    public function schema(): array
    {
        return ['type' => 'object', 'additionalProperties' => true];
    }
}
