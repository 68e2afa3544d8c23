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
        return false;
    }

    public function learned(\stdClass $document, EntryData $entry): null
    {
        return null;
    }
}
