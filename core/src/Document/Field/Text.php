<?php

declare(strict_types=1);

namespace Ash\Document\Field;

use Ash\Document\Node;
use Ash\Document\Plain;

/** Words with something in them; surrounding white space is taken off. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Text extends Plain
{
    public function __construct(private int $max = 20_000)
    {
    }

    public function read(Node $node): string
    {
        return $node->text($this->max);
    }

    public function schema(): array
    {
        return ['type' => 'string', 'minLength' => 1, 'maxLength' => $this->max];
    }
}
