<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\ListOf;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;
use Ash\Logbook\Section;

/** What a description says of jumpers, switches and drives: "settings", "drive_types". */
final readonly class SetupSection implements Section
{
    private const MOST = 500;

    public function fields(): array
    {
        return ['settings', 'drive_types'];
    }

    public function read(Node $document, Profile $known): ?DescribedSetup
    {
        $settings = $document->optional('settings');
        $types = $document->optional('drive_types');
        if ($settings === null && $types === null) {
            return null;
        }
        /** @var list<KnownBlock> $blocks */
        $blocks = $settings === null ? [] : (new ListOf(KnownBlock::class, most: self::MOST))->read($settings);
        $keys = [];
        foreach ($settings?->items() ?? [] as $i => $it) {
            isset($keys[$blocks[$i]->key()]) && $it->at('block')->refuse('is described twice');
            $keys[$blocks[$i]->key()] = true;
        }
        /** @var list<DriveType> $drives */
        $drives = $types === null ? [] : (new ListOf(DriveType::class, most: self::MOST))->read($types);
        foreach ($types?->items() ?? [] as $i => $it) {
            in_array($drives[$i]->type, array_map(static fn (DriveType $one): int => $one->type, array_slice($drives, 0, $i)), true)
                && $it->at('type')->refuse("type {$drives[$i]->type} is given twice");
        }

        return new DescribedSetup($blocks, $drives);
    }

    public function words(Profile $profile): array
    {
        $it = $profile->section(DescribedSetup::class);

        return $it === null ? [] : [
            ...array_map(static fn (KnownBlock $one): string => "{$one->device}: {$one->line()}", $it->blocks),
            ...($it->types === [] ? [] : [count($it->types).' types of fixed disks in its table']),
        ];
    }

    public function teaches(EntryData $entry): bool
    {
        return $entry instanceof SettingSaid;
    }

    public function ofBoard(): array
    {
        return [];
    }

    /** A block that was looked at is known from then on; said anew, it is known as it was said last. */
    public function learned(\stdClass $document, EntryData $entry): ?\stdClass
    {
        if (!$entry instanceof SettingSaid) {
            return null;
        }
        $block = (object) json_decode(json_encode(Shape::of(KnownBlock::class)->write($entry->known()), JSON_THROW_ON_ERROR));
        $known = is_array($document->settings ?? null) ? array_values($document->settings) : [];
        foreach ($known as $i => $it) {
            $one = $it instanceof \stdClass ? Shape::of(KnownBlock::class)->read(Node::of($it)) : null;
            if ($one?->key() === $entry->key()) {
                if (mb_strtolower($one->line()) === mb_strtolower($entry->known()->line())) {
                    return null;
                }
                $known[$i] = $block;

                return (object) [...(array) $document, 'settings' => $known];
            }
        }

        return count($known) >= self::MOST ? null : (object) [...(array) $document, 'settings' => [...$known, $block]];
    }
}
