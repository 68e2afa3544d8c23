<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\ListOf;
use Ash\Document\Node;
use Ash\Document\Rule;
use Ash\Document\Shape;

/** Fixings as a list, or as the line that says them: "6 M4x8, 2 M3x6". */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Fixings implements Rule
{
    private ListOf $list;

    public function __construct()
    {
        $this->list = new ListOf(Fixing::class);
    }

    public function read(Node $node): mixed
    {
        return is_string($node->raw()) ? array_map(Shape::of(Fixing::class)->read(...), self::said($node->text(500))) : $this->list->read($node);
    }

    public function revive(mixed $stored): mixed
    {
        return $this->list->revive($stored);
    }

    public function write(mixed $value): mixed
    {
        return $this->list->write($value);
    }

    public function whole(mixed $value): mixed
    {
        return $this->list->whole($value);
    }

    public function schema(): array
    {
        return ['oneOf' => [['type' => 'string', 'maxLength' => 500], $this->list->schema()]];
    }

    /** @return list<Node> */
    private static function said(string $line): array
    {
        return array_map(static fn (array $it, int $i): Node => Node::of((object) $it, "/{$i}"), Fixing::said($line), array_keys(Fixing::said($line)));
    }
}
