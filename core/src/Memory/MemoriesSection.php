<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;
use Ash\Logbook\Section;

/** What a description says of the memories: "memories". */
final readonly class MemoriesSection implements Section
{
    public function fields(): array
    {
        return ['memories'];
    }

    public function read(Node $document, Profile $known): DescribedMemories
    {
        $all = FittedMemory::readAll($document->optional('memories'));
        foreach ($document->optional('memories')?->items() ?? [] as $i => $memory) {
            $all[$i]->board === null || $known->boardKey($memory->at('board'));
        }

        return new DescribedMemories($all);
    }

    public function words(Profile $profile): array
    {
        $memories = $profile->section(DescribedMemories::class)->all ?? [];

        return array_map(static fn (FittedMemory $it): string => "Memory {$it->name}: ".count($it->map->banks).' banks'
            .($it->chip === null ? '' : " of {$it->chip->value}"), $memories);
    }

    public function teaches(EntryData $entry): bool
    {
        return $entry instanceof MemorySaid;
    }

    public function ofBoard(): array
    {
        return ['memories' => 'key'];
    }

    /** Rows are added as one memory more; rows at an address where a memory begins already are that memory, said anew. */
    public function learned(\stdClass $document, EntryData $entry): ?\stdClass
    {
        if (!$entry instanceof MemorySaid) {
            return null;
        }
        $known = is_array($document->memories ?? null) ? array_values($document->memories) : [];
        $keys = array_map(static fn (mixed $it): mixed => $it instanceof \stdClass ? $it->key ?? null : null, $known);
        for ($n = 1, $key = 'main'; in_array($key, $keys, true); $key = 'rows-'.++$n) {
        }
        $said = Node::parse(json_encode(RowsLine::read($entry->line, '/line')->memory($key, '/line'), JSON_THROW_ON_ERROR))->object();
        $start = static fn (\stdClass $it): int => FittedMemory::read(Node::of($it))->map->banks[0]->start;
        foreach ($known as $i => $it) {
            if ($it instanceof \stdClass && $start($it) === $start($said)) {
                $known[$i] = (object) [...(array) $it, 'chip' => $said->chip, 'map' => $said->map];
                unset($known[$i]->sockets);

                return (object) [...(array) $document, 'memories' => $known];
            }
        }

        return (object) [...(array) $document, 'memories' => [...$known, $said]];
    }
}
