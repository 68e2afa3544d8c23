<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\Node;

/** Reads descriptions of machines: the hall's own fields, then each room's section. */
final readonly class Sections
{
    /** @var list<Section> */
    private array $sections;

    public function __construct(Section ...$sections)
    {
        $this->sections = array_values($sections);
    }

    /** @throws \Ash\Document\InvalidDocument */
    public function read(Node $document): Profile
    {
        $fields = array_merge(...array_map(static fn (Section $it): array => $it->fields(), $this->sections));
        $document->only(...Profile::FIELDS, ...$fields);
        $profile = Profile::bare($document);
        foreach ($this->sections as $section) {
            $read = $section->read($document, $profile);
            $profile = $read === null ? $profile : $profile->with($read);
        }

        return $profile;
    }

    /** @return list<string> what a description says, a line each */
    public function words(Profile $profile): array
    {
        $boards = implode(', ', array_map(static fn (ProfileBoard $it): string => $it->name, $profile->boards));

        return ["Boards: {$boards}", ...array_merge(...array_map(static fn (Section $it): array => $it->words($profile), $this->sections))];
    }

    public function teaches(EntryData $entry): bool
    {
        return array_filter($this->sections, static fn (Section $it): bool => $it->teaches($entry)) !== [];
    }

    /** Whether what such an entry teaches is of a board and not of its machine. */
    public function teachesBoard(EntryData $entry): bool
    {
        return array_filter($this->sections, static fn (Section $it): bool => $it->ofBoard() !== [] && $it->teaches($entry)) !== [];
    }

    public function boardKinds(): BoardKinds
    {
        return new BoardKinds(
            array_merge(...array_map(static fn (Section $it): array => $it->ofBoard(), $this->sections)),
            array_values(array_filter($this->sections, static fn (Section $it): bool => $it instanceof SharedSection)),
        );
    }

    /** @return \stdClass|null the document with what the entry has taught; null when it taught nothing */
    public function learned(\stdClass $document, EntryData $entry): ?\stdClass
    {
        $taught = null;
        foreach ($this->sections as $section) {
            $taught = $section->learned($taught ?? $document, $entry) ?? $taught;
        }

        return $taught;
    }
}
