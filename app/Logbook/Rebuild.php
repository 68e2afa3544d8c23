<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Logbook\EntryKind;
use Ash\Logbook\RebuildList;
use Ash\Logbook\StripItem;
use Illuminate\Support\Collection;

/**
 * The strip-down list of a job and how far it is put back.
 *
 * @phpstan-import-type Item from StripItem
 */
final readonly class Rebuild
{
    /** @param string|null $without an entry that is about to be corrected */
    public static function of(Job $job, ?string $without = null): RebuildList
    {
        $items = $ticks = [];
        foreach (self::entries($job->id)->where('id', '!=', $without) as $entry) {
            if ($entry->kind === EntryKind::Strip) {
                /** @var Item $item */
                $item = $entry->data;
                $items[] = ['id' => $entry->id, 'item' => $item];
            } else {
                /** @var array{item: string, fixings: list<array{kind: string, count: int}>} $tick */
                $tick = $entry->data;
                $ticks[] = ['item' => $tick['item'], 'fixings' => $tick['fixings']];
            }
        }

        return RebuildList::of($items, $ticks);
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed> with what it is, and all of its fixings unless others were said
     */
    public static function complete(Job $job, array $data, ?string $corrects): array
    {
        foreach (self::of($job, $corrects)->rows as $row) {
            if ($row['id'] === ($data['item'] ?? null)) {
                return $row['ticked'] ? throw InvalidDocument::at('/data/item', 'is back in already') : [...$data, 'what' => $row['item']['what'], 'fixings' => $data['fixings'] ?? $row['item']['fixings'] ?? []];
            }
        }
        throw InvalidDocument::at('/data/item', 'is not an item of this job\'s strip-down list');
    }

    /** @return Collection<int, Entry> that stand, in time order */
    private static function entries(string $job): Collection
    {
        return Entry::query()->where('job_id', $job)->whereIn('kind', [EntryKind::Strip, EntryKind::Rebuilt])
            ->whereNotExists(static fn ($query) => $query->from('entries as later')->whereColumn('later.corrects_id', 'entries.id'))
            ->orderBy('at')->orderBy('id')->get();
    }
}
