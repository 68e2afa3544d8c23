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
        return $document->has('battery') ? BoardNeeds::described($document->at('battery')) : null;
    }

    public function words(Profile $profile): array
    {
        $needs = $profile->section(BoardNeeds::class);

        return $needs === null ? [] : [
            'Clock circuit: keeps its memory from '.Notation::print($needs->minV, Unit::Volt).', stands '.Notation::print($needs->maxV, Unit::Volt)
                .', draws '.Notation::print($needs->standbyA, Unit::Ampere).($needs->charges() ? ', charges its battery' : '').($needs->source === null
                    ? ''
                    : " ({$needs->source})"),
        ];
    }

    public function teaches(EntryData $entry): bool
    {
        return $entry instanceof CircuitSaid;
    }

    public function ofBoard(): array
    {
        return [];
    }

    /** What a sheet or a measurement says stays; a family gives way to another. */
    public function learned(\stdClass $document, EntryData $entry): ?\stdClass
    {
        $battery = $entry instanceof CircuitSaid ? $entry->battery() : null;
        $known = $document->battery ?? null;
        $guessed = !$known instanceof \stdClass || (is_string($known->source ?? null) && str_starts_with($known->source, 'family:'));

        return $battery === null || !$guessed
            ? null
            : (object) [...(array) $document, 'battery' => json_decode(json_encode($battery, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION))];
    }
}
