<?php

declare(strict_types=1);

namespace Ash\Document\Field;

use Ash\Document\Node;
use Ash\Document\Plain;

/** Text to the letter, as a password is; nothing is taken off. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Letters extends Plain
{
    /**
     * @param int $min characters
     * @param int $max bytes
     */
    public function __construct(private int $min = 0, private int $max = 10_000)
    {
    }

    public function read(Node $node): string
    {
        $text = $node->string();

        return mb_strlen($text) >= $this->min && strlen($text) <= $this->max ? $text : $node->refuse("must be {$this->min} to {$this->max} characters");
    }

    public function schema(): array
    {
        return ['type' => 'string', ...($this->min === 0 ? [] : ['minLength' => $this->min]), 'maxLength' => $this->max];
    }
}
