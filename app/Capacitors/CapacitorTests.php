<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Logbook\Entry;
use App\Logbook\Record;
use Ash\Logbook\EntryKind;
use Illuminate\Support\Facades\DB;

/** The last word on each capacitor, and the shop's history of its kind and age. Follows from the record and can be made again from it. */
final readonly class CapacitorTests
{
    private const YEARS = 5;

    public static function take(Entry $entry): void
    {
        $data = $entry->data;
        $cap = Record::word($entry, 'cap');
        $now = DB::table('capacitor_tests')->where('board_id', $entry->board_id)->where('current', true)->where('cap_key', $cap);
        $row = [
            'job_id' => $entry->job_id, 'entry_id' => $entry->id, 'kind' => Record::word($entry, 'kind'), 'year' => is_int($data['year'] ?? null) ? $data['year'] : null, 'marked_f' => $data['marked_f'] ?? 0, 'rated_v' => $data['rated_v'] ?? 0,
            'verdict' => Record::word($entry, 'verdict'), 'proven' => ($data['proven'] ?? false) === true, 'at' => $entry->at->format('Y-m-d H:i:s.v'),
        ];
        // A part that was replaced keeps its place in the history; the one in its stead begins anew.
        (clone $now)->where('replaced', true)->update(['current' => false]);
        (clone $now)->where('replaced', false)->exists()
            ? $now->where('replaced', false)->update($row)
            : DB::table('capacitor_tests')->insert([...$row, 'board_id' => $entry->board_id, 'cap_key' => $cap, 'current' => true, 'replaced' => false]);
    }

    public static function replaced(Entry $part, bool $is): void
    {
        DB::table('capacitor_tests')->where('board_id', $part->board_id)->where('cap_key', Record::word($part, 'designator'))->where('current', true)->update(['replaced' => $is]);
    }

    /** A reading was withdrawn: the one before it counts again, when there is one. */
    public static function forget(Entry $reading): void
    {
        DB::table('capacitor_tests')->where('entry_id', $reading->id)->delete();
        $before = Entry::query()->where('board_id', $reading->board_id)->where('kind', EntryKind::CapReading)->where('id', '<>', $reading->id)
            ->whereNotExists(static fn ($query) => $query->from('entries as later')->whereColumn('later.corrects_id', 'entries.id'))
            ->whereRaw('JSON_VALUE(data, \'$.cap\') = ?', [Record::word($reading, 'cap')])->orderByDesc('at')->first();
        if ($before instanceof Entry) {
            self::take($before);
        }
    }

    /** @return array{int, int} tested and bad parts of this kind and about this age, on other boards */
    public static function history(string $kind, ?int $year, string $board): array
    {
        $row = DB::table('capacitor_tests')->where('kind', $kind)->where('proven', true)->where('board_id', '<>', $board)
            ->when($year !== null, static fn ($query) => $query->whereBetween('year', [(int) $year - self::YEARS, (int) $year + self::YEARS]))
            ->selectRaw("COUNT(*) AS tested, COALESCE(SUM(verdict = 'replace'), 0) AS bad")->first();

        $counts = (array) $row;

        return [is_numeric($counts['tested'] ?? null) ? (int) $counts['tested'] : 0, is_numeric($counts['bad'] ?? null) ? (int) $counts['bad'] : 0];
    }
}
