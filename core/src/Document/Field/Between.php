<?php

declare(strict_types=1);

namespace Ash\Document\Field;

use Ash\Document\Node;
use Ash\Document\Plain;

/** A number between two ends, both of them taken. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Between extends Plain
{
    public function __construct(private float $low, private float $high)
    {
    }

    public function read(Node $node): float
    {
        return $node->between($this->low, $this->high);
    }

    public function schema(): array
    {
        return ['type' => 'number', 'minimum' => $this->low, 'maximum' => $this->high];
    }
}
