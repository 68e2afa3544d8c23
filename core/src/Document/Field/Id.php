<?php

declare(strict_types=1);

namespace Ash\Document\Field;

use Ash\Document\Node;
use Ash\Document\Plain;
use Ash\Document\Ulid;

/** An identifier that a client made. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Id extends Plain
{
    public function read(Node $node): string
    {
        return Ulid::read($node);
    }

    public function schema(): array
    {
        return ['type' => 'string', 'pattern' => Ulid::PATTERN, 'description' => 'ULID'];
    }
}
