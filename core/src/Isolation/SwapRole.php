<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Node;

/** What a part is fitted as, and how many of them have a place. */
final readonly class SwapRole
{
    public function __construct(public string $name, public bool $required = true, public int $places = 1)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('name', 'required', 'places');

        return new self($node->at('name')->name(), $node->at('required')->bool(), $node->optional('places')?->integer(1) ?? 1);
    }
}
