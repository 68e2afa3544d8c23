<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Document\Node;

/** Something to do on the bench, or to wait for; it is not interrupted. */
final readonly class PlanTask
{
    /**
     * @param float        $minutes   by the clock
     * @param bool         $hands     it takes a pair of hands all that time
     * @param list<string> $needs     resources, one of each
     * @param list<string> $after     names of tasks that must be over
     * @param float        $notBefore minutes from now
     * @param ?float       $due       minutes from now
     */
    public function __construct(
        public string $name,
        public float $minutes,
        public bool $hands = true,
        public array $needs = [],
        public array $after = [],
        public float $notBefore = 0.0,
        public ?float $due = null,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->only('name', 'minutes', 'hands', 'needs', 'after', 'not_before', 'due');
        $names = static function (string $field) use ($node): array {
            $listed = $node->optional($field)?->items() ?? [];
            Node::distinct($listed);

            return array_map(static fn (Node $it): string => $it->name(), $listed);
        };

        return new self(
            name: $node->at('name')->name(),
            minutes: $node->at('minutes')->positive(),
            hands: $node->optional('hands')?->bool() ?? true,
            needs: $names('needs'),
            after: $names('after'),
            notBefore: $node->optional('not_before')?->notNegative() ?? 0.0,
            due: $node->optional('due')?->number(),
        );
    }
}
