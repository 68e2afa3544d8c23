<?php

declare(strict_types=1);

namespace Ash\Document\Field;

use Ash\Document\Node;
use Ash\Document\Rule;

/** One of an enum's values. The rule of a field whose type is an enum, so that nobody writes it down. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class OneOf implements Rule
{
    /** @param class-string<\BackedEnum> $enum */
    public function __construct(private string $enum)
    {
    }

    public function read(Node $node): \BackedEnum
    {
        return $node->enum($this->enum);
    }

    public function revive(mixed $stored): mixed
    {
        return is_string($stored) || is_int($stored) ? $this->enum::from($stored) : $stored;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof \BackedEnum ? $value->value : $value;
    }

    public function whole(mixed $value): mixed
    {
        return $this->write($value);
    }

    public function schema(): array
    {
        $values = array_map(static fn (\BackedEnum $case): int|string => $case->value, $this->enum::cases());

        return ['type' => is_int($values[0] ?? '') ? 'integer' : 'string', 'enum' => $values];
    }
}
