<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Logbook\Entries\Connector;
use Ash\Logbook\Entries\TakenOut;

/** Which way round connectors sit is worth knowing the next time: what a strip-down list says goes into the machine's description. */
final readonly class ConnectorsSection implements Section
{
    public function fields(): array
    {
        return ['connectors'];
    }

    /** They stand in the hall's own part of the profile. */
    public function read(Node $document, Profile $known): null
    {
        return null;
    }

    /** @return list<Connector> */
    public static function readAll(?Node $list): array
    {
        return array_map(Shape::of(Connector::class)->read(...), $list?->items() ?? []);
    }

    public function words(Profile $profile): array
    {
        return array_map(static fn (Connector $it): string => "Connector {$it->words()}", $profile->connectors);
    }

    public function teaches(EntryData $entry): bool
    {
        return $entry instanceof TakenOut && $entry->connectors !== [];
    }

    public function ofBoard(): array
    {
        return [];
    }

    public function learned(\stdClass $document, EntryData $entry): ?\stdClass
    {
        if (!$entry instanceof TakenOut || $entry->connectors === []) {
            return null;
        }
        $known = [];
        foreach ([...self::readAll(Node::of($document)->optional('connectors')), ...$entry->connectors] as $it) {
            $known[mb_strtolower($it->name)] = $it;
        }
        $connectors = array_map(static fn (Connector $it): \stdClass => (object) Shape::of(Connector::class)->write($it), array_values($known));
        if (json_encode($connectors) === json_encode($document->connectors ?? [])) {
            return null;
        }
        $taught = clone $document;
        $taught->connectors = $connectors;

        return $taught;
    }
}
