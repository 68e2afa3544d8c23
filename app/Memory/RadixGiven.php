<?php

declare(strict_types=1);

namespace App\Memory;

use Ash\Document\Node;
use Ash\Document\Plain;
use Ash\Quantity\Radix;

/** The radix in which a test writes its addresses. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class RadixGiven extends Plain
{
    public function read(Node $node): int
    {
        // A form sends every field as text.
        $digits = is_string($node->raw()) && ctype_digit($node->raw());

        return Radix::read($digits ? Node::of((int) $node->string(), $node->pointer) : $node)->value;
    }

    public function schema(): array
    {
        return ['type' => ['integer', 'string'], 'enum' => [2, 8, 10, 16, '2', '8', '10', '16']];
    }
}
