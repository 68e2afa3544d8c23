<?php

declare(strict_types=1);

namespace App\Batteries;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\OpenItem;
use Ash\Batteries\BatteryNote;
use Ash\Batteries\Retention;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\BatteryState;
use Ash\Logbook\EntryKind;

/** What the record knows of a battery and its clock before a new entry is taken. */
final readonly class CompleteBattery
{
    /**
     * Which way round it goes must agree with what was recorded before it came out.
     *
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    public static function note(Job $job, array $data): array
    {
        if ($data['state'] !== BatteryState::Fitted->value || isset($data['override'])) {
            return $data;
        }
        $recorded = self::polarity($job);
        $given = is_string($data['positive_towards'] ?? null) ? $data['positive_towards'] : '';
        if ($recorded === null) {
            throw InvalidDocument::at('/data/positive_towards', 'no polarity is recorded for this board: record how the old one sat, or say with a reason why this is right');
        }
        if (!BatteryNote::agrees($recorded, $given)) {
            throw InvalidDocument::at('/data/positive_towards', "the record says that the positive end lies towards \"{$recorded}\": turn it round, or say with a reason why this is right");
        }

        return $data;
    }

    /** Towards what the positive end of the board's battery lay, as it was last found. */
    public static function polarity(Job $job): ?string
    {
        foreach (self::notes($job) as $note) {
            if ($note->data['state'] !== BatteryState::Fitted->value && is_string($note->data['positive_towards'] ?? null)) {
                return $note->data['positive_towards'];
            }
        }

        return null;
    }

    /** @return list<Entry> notes on the board's battery that stand, latest first, over all its jobs */
    public static function notes(Job $job): array
    {
        return array_values(Entry::query()->where('board_id', $job->board_id)->where('kind', EntryKind::Battery)
            ->whereNotExists(static fn ($query) => $query->from('entries as later')->whereColumn('later.corrects_id', 'entries.id'))
            ->orderByDesc('at')->orderByDesc('id')->limit(50)->get()->all());
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed> with the verdict
     */
    public static function clock(Job $job, array $data): array
    {
        $test = is_string($data['test'] ?? null) ? $data['test'] : '';
        $item = OpenItem::query()->where('kind', 'clock')->where('open', true)->where('board_id', $job->board_id)->where('id', $test)->first();
        $set = $item === null ? null : Entry::query()->where('id', $test)->first();
        if ($set === null) {
            throw InvalidDocument::at('/data/test', 'is not a clock test of this board that still runs');
        }
        $asked = array_diff_key($data, ['test' => true]);
        try {
            $retention = Retention::read(Node::of((object) [...$asked, 'set_at' => $set->data['set_at'] ?? ''], '/data'));
        } catch (InvalidDocument $fault) {
            throw InvalidDocument::at($fault->pointer === '/data/set_at' ? '/data/test' : $fault->pointer, $fault->detail);
        }

        return [...$data, 'drift_s' => $retention->driftS, 'ppm' => $retention->ppm, 'seconds_per_day' => $retention->secondsPerDay, 'verdict' => $retention->verdict, 'reasons' => $retention->reasons];
    }
}
