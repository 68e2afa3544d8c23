<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** A section of which a board's own kind and its machine's kind both may speak: whose word counts is the room's to say. */
interface SharedSection extends Section
{
    /**
     * What things that go to a description of their board's kind refer to.
     *
     * @param list<\stdClass> $things
     *
     * @return array<string, mixed> fields of that description
     */
    public function copied(\stdClass $machine, array $things): array;

    /** @return array<string, mixed> fields as they count for a board whose own kind speaks first */
    public function counting(\stdClass $own, \stdClass $machine): array;
}
