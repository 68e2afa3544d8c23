<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Node;
use Ash\Facts\Answered;

/** A test of the library: what the advisor reckons with, how it is made, and which room answers it. */
final readonly class LibraryTest
{
    private const RULES = 12;

    /** @param list<AnsweredBy> $from rooms whose findings count as its outcome, the first that fits */
    private function __construct(public AdviceTest $test, public ?string $how, public ?string $room, private array $from)
    {
    }

    /** @param list<string> $causes behind a NUL */
    public static function read(Node $node, array $causes): self
    {
        $of = clone $node->object();
        unset($of->how, $of->room, $of->from);

        $test = AdviceTest::read(Node::of($of, $node->pointer), $causes);
        $from = [];
        foreach ($node->optional('from')?->items(self::RULES) ?? [] as $it) {
            $from[] = $rule = AnsweredBy::read($it);
            in_array($rule->outcome, $test->outcomes, true) || $it->at('outcome')->refuse("is not an outcome of this test: \"{$rule->outcome}\"");
        }

        return new self($test, $node->optional('how')?->text(400), $node->optional('room')?->text(200), $from);
    }

    /**
     * The outcome that rooms have found out already, so that nobody makes or types it again.
     *
     * @param list<Answered> $answers
     *
     * @return ?array{string, Answered}
     */
    public function answered(array $answers): ?array
    {
        foreach ($this->from as $rule) {
            foreach ($answers as $it) {
                if ($rule->fits($it)) {
                    return [$rule->outcome, $it];
                }
            }
        }

        return null;
    }

    public function words(): string
    {
        return strtr($this->test->id, '_', ' ');
    }
}
