<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\Node;
use Ash\Facts\Facts;

/** The hall: what all rooms together bring, each by the contract that it knows them by. */
final readonly class Hall
{
    public Kinds $kinds;
    public Lines $lines;
    public Sections $sections;

    /** @var array<string, OpenKind> by name */
    public array $openKinds;

    /** @var array<string, Room> by name */
    public array $rooms;

    public function __construct(Room ...$rooms)
    {
        $byName = [];
        foreach ($rooms as $room) {
            $byName[$room->name()] = $room;
        }
        $this->rooms = $byName;
        $this->kinds = new Kinds(...array_merge(...array_map(static fn (Room $room): array => $room->kinds(), $rooms)));
        // The hall's own words come first: a newcomer is shown how to write a symptom.
        $speakers = [...array_filter($rooms, self::isOwn(...)), ...array_filter($rooms, static fn (Room $room): bool => !self::isOwn($room))];
        $this->lines = new Lines(...array_merge(...array_map(static fn (Room $room): array => $room->lines(), $speakers)));
        $open = array_merge(...array_map(static fn (Room $room): array => $room->openKinds(), $rooms));
        $this->openKinds = array_combine(array_map(static fn (OpenKind $it): string => $it->name, $open), $open);
        $this->sections = new Sections(...array_values(array_filter(array_map(static fn (Room $room): ?Section => $room->section(), $rooms))));
    }

    /** @throws \Ash\Document\InvalidDocument */
    public function draft(Node $entry): EntryDraft
    {
        return EntryDraft::read($entry, $this->kinds, $this->lines);
    }

    /** @throws \Ash\Document\InvalidDocument */
    public function profile(Node $document): Profile
    {
        return $this->sections->read($document);
    }

    public function sheet(Situation $at): JobSheet
    {
        $at = $at->knowing($this->facts($at->profile)->and(...$at->facts->everything()));

        return JobSheet::of($at, array_values(array_map(static fn (Room $room): Findings => $room->findings($at), $this->rooms)));
    }

    private static function isOwn(Room $room): bool
    {
        return $room instanceof LogbookRoom;
    }

    private function facts(Profile $profile): Facts
    {
        return new Facts(...array_merge(...array_values(array_map(static fn (Room $room): array => $room->facts($profile), $this->rooms))));
    }
}
