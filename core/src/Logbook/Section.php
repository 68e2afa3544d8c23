<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\Node;

/**
 * A room's part of the description of a machine: fields of the document that belong to it, and what they mean. The document itself is
 * kept to the letter; a field that no room here knows is refused when a description is handed in.
 */
interface Section
{
    /** @return non-empty-list<string> names of its fields in the document */
    public function fields(): array;

    /**
     * @param Node    $document the whole description
     * @param Profile $known    what the hall and the sections before this one have read of it
     *
     * @return object|null what Profile::section() hands out for its class; null when the document has none of it
     *
     * @throws \Ash\Document\InvalidDocument
     */
    public function read(Node $document, Profile $known): ?object;

    /** @return list<string> what the description says of it, a line each; none where it says nothing */
    public function words(Profile $profile): array;

    /** Whether entries like this may teach something, so that the description need not be read for the others. */
    public function teaches(EntryData $entry): bool;

    /**
     * Of its fields the lists of things that sit on one board and may name it ("board"): they can go to a description of the board's kind.
     *
     * @return array<string, string> by list the field that tells its things apart
     */
    public function ofBoard(): array;

    /** @return \stdClass|null the document with what an entry on a job has taught; null when it taught nothing new */
    public function learned(\stdClass $document, EntryData $entry): ?\stdClass;
}
