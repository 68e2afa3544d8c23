<?php

declare(strict_types=1);

namespace Ash\Batteries;

use Ash\Document\Node;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;
use Ash\Logbook\Section;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** What a description says of the clock circuit: "battery". */
final readonly class BatterySection implements Section
{
    public function fields(): array
    {
        return ['battery'];
    }

    public function read(Node $document, Profile $known): ?BoardNeeds
    {
        return $document->has('battery') ? BoardNeeds::read($document->at('battery')) : null;
    }

    public function words(Profile $profile): array
    {
        $needs = $profile->section(BoardNeeds::class);

        return $needs === null ? [] : [
            'Clock circuit: keeps its memory from '.Notation::print($needs->minV, Unit::Volt).', stands '.Notation::print($needs->maxV, Unit::Volt)
                .', draws '.Notation::print($needs->standbyA, Unit::Ampere).($needs->charges() ? ', charges its battery' : ''),
        ];
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
