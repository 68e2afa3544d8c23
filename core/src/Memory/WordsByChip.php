<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;
use Ash\Document\Rule;

/** Words by designator: {"U30": "8213"}. Designators that are numbers from 0 on may have become a list. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class WordsByChip implements Rule
{
    /** @return array<array-key, string> */
    public function read(Node $node): array
    {
        return array_map(static fn (Node $word): string => $word->string(), $node->members());
    }

    /** @return array<array-key, mixed> */
    public function revive(mixed $stored): array
    {
        return array_filter((array) $stored, is_string(...));
    }

    public function write(mixed $value): mixed
    {
        return (object) $value;
    }

    public function whole(mixed $value): mixed
    {
        return $this->write($value);
    }

    public function schema(): array
    {
        return ['type' => 'object', 'additionalProperties' => ['type' => 'string']];
    }
}
