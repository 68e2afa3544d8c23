<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;
use Ash\Document\Rule;

/** Errors by bank and bit as a run keeps them: {"bank": {"bit": errors}}. Banks or bits that count on from 0 may have become lists. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class ErrorCounts implements Rule
{
    /** @return array<array-key, array<array-key, int>> */
    public function read(Node $node): array
    {
        return array_map(
            static fn (Node $bits): array => array_map(static fn (Node $count): int => $count->integer(0), $bits->members()),
            $node->members(),
        );
    }

    /** @return array<array-key, array<array-key, mixed>> */
    public function revive(mixed $stored): array
    {
        return array_map(static fn (mixed $bits): array => (array) $bits, (array) $stored);
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
        return ['type' => 'object', 'additionalProperties' => ['type' => ['object', 'array']]];
    }
}
