<?php

declare(strict_types=1);

namespace Ash\Document\Field;

use Ash\Document\Node;
use Ash\Document\Plain;

/** A name, kept to the letter, because references compare it. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Name extends Plain
{
    public function read(Node $node): string
    {
        return $node->name();
    }

    public function schema(): array
    {
        return ['type' => 'string', 'minLength' => 1];
    }
}
