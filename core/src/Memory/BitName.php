<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;
use Ash\Document\Plain;

/** The number of a bit, or "P" for the parity column. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class BitName extends Plain
{
    public const PARITY = 'P';

    public function read(Node $node): int|string
    {
        return $node->raw() === self::PARITY ? self::PARITY : $node->integer(0, 62);
    }

    public function schema(): array
    {
        return ['type' => ['integer', 'string'], 'description' => 'number of the bit, or "P" for parity'];
    }
}
