<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Node;

/** A test of the library: what the advisor reckons with, how it is made, and which room answers it. */
final readonly class LibraryTest
{
    private function __construct(public AdviceTest $test, public ?string $how, public ?string $room)
    {
    }

    /** @param list<string> $causes behind a NUL */
    public static function read(Node $node, array $causes): self
    {
        $of = clone $node->object();
        unset($of->how, $of->room);

        return new self(AdviceTest::read(Node::of($of, $node->pointer), $causes), $node->optional('how')?->text(400), $node->optional('room')?->text(200));
    }

    public function words(): string
    {
        return strtr($this->test->id, '_', ' ');
    }
}
