<?php

declare(strict_types=1);

namespace Ash\Document\Field;

use Ash\Document\Node;
use Ash\Document\Rule;
use Ash\Document\Shape;

/** A document within a document. The rule of a field whose type is a class with a shape. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Shaped implements Rule
{
    /** @param class-string $class */
    public function __construct(private string $class)
    {
    }

    public function read(Node $node): object
    {
        return Shape::of($this->class)->read($node);
    }

    public function revive(mixed $stored): mixed
    {
        return $stored === null
            ? null
            : Shape::of($this->class)->revive((object) (is_array($stored) || $stored instanceof \stdClass ? $stored : ['' => $stored]));
    }

    public function write(mixed $value): mixed
    {
        return is_object($value) ? (object) Shape::of($this->class)->write($value) : $value;
    }

    public function whole(mixed $value): mixed
    {
        return is_object($value) ? (object) Shape::of($this->class)->whole($value) : $value;
    }

    public function schema(): array
    {
        return Shape::of($this->class)->schema();
    }
}
