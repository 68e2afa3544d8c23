<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Node;
use Ash\Facts\RailVolts;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;
use Ash\Logbook\Section;

/** What a description says of the capacitors on the boards: "capacitors". */
final readonly class CapacitorsSection implements Section
{
    public function fields(): array
    {
        return ['capacitors'];
    }

    public function read(Node $document, Profile $known): DescribedCapacitors
    {
        $all = BoardCapacitor::readAll($document->optional('capacitors'));
        $rails = $known->section(RailVolts::class)?->railNames() ?? [];
        foreach ($document->optional('capacitors')?->items() ?? [] as $i => $it) {
            $rail = $all[$i]->given->rail;
            $rail === null || in_array($rail, $rails, true) || $it->at('rail')->refuse("the profile has no rail \"{$rail}\"");
            $all[$i]->given->board === null || $known->boardKey($it->at('board'));
        }

        return new DescribedCapacitors($all);
    }

    public function words(Profile $profile): array
    {
        $count = count($profile->section(DescribedCapacitors::class)->all ?? []);

        return $count === 0 ? [] : ["Capacitors: {$count} listed"];
    }

    public function teaches(EntryData $entry): bool
    {
        return false;
    }

    public function ofBoard(): array
    {
        return ['capacitors' => 'ref'];
    }

    public function learned(\stdClass $document, EntryData $entry): null
    {
        return null;
    }
}
