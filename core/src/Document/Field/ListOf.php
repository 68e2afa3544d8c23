<?php

declare(strict_types=1);

namespace Ash\Document\Field;

use Ash\Document\Node;
use Ash\Document\Rule;
use Ash\Document\Shape;

/** A list of values of one rule, shape or enum. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class ListOf implements Rule
{
    private Rule $of;

    /**
     * @param Rule|class-string $of       a class stands for its shape, or for the values of an enum
     * @param bool              $distinct refuses the second of two equal ones
     * @param int               $most     items
     */
    public function __construct(Rule|string $of, private bool $distinct = false, private int $most = 10_000)
    {
        $this->of = $of instanceof Rule ? $of : Shape::rule($of);
    }

    /** @return list<mixed> */
    public function read(Node $node): array
    {
        $items = $node->items($this->most);
        $this->distinct && Node::distinct($items);

        return array_map($this->of->read(...), $items);
    }

    public function revive(mixed $stored): mixed
    {
        return is_array($stored) ? array_map($this->of->revive(...), array_values($stored)) : $stored;
    }

    public function write(mixed $value): mixed
    {
        return is_array($value) ? array_map($this->of->write(...), array_values($value)) : $value;
    }

    public function whole(mixed $value): mixed
    {
        return is_array($value) ? array_map($this->of->whole(...), array_values($value)) : $value;
    }

    public function schema(): array
    {
        return ['type' => 'array', 'items' => $this->of->schema(), 'maxItems' => $this->most, ...($this->distinct ? ['uniqueItems' => true] : [])];
    }
}
