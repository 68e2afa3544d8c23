<?php

declare(strict_types=1);

namespace Ash\Document\Field;

use Ash\Document\Node;
use Ash\Document\Plain;

/** A whole number. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Whole extends Plain
{
    public function __construct(private int $min, private int $max = Node::MOST)
    {
    }

    public function read(Node $node): int
    {
        return $node->integer($this->min, $this->max);
    }

    public function schema(): array
    {
        return ['type' => 'integer', 'minimum' => $this->min, ...($this->max === Node::MOST ? [] : ['maximum' => $this->max])];
    }
}
