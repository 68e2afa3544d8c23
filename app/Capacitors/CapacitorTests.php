<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Logbook\Entry;
use App\Logbook\Job;
use Ash\Capacitors\CapacitorRead;
use Ash\Capacitors\ReadingsOfVisit;
use Ash\Capacitors\Taken;
use Ash\Facts\CapacitorKind;
use Ash\Logbook\Entries\PartReplaced;
use Illuminate\Support\Facades\DB;

/** The last word on each original capacitor, and the shop's history of its kind and age. Follows from the record and can be made again from it. */
final readonly class CapacitorTests
{
    private const YEARS = 5;

    /**
     * What the record says of an original capacitor of a board: all its readings of the latest visit together, up to its replacement.
     * A part that was fitted in its stead is new and tells nothing of its kind and age.
     */
    public static function renew(Job $job, string $cap): void
    {
        if ($cap === '') {
            return;
        }
        $list = BoardList::of($job);
        $at = $list->at($cap);
        $entries = $at?->original === null ? [] : Entry::standing(CapacitorRead::KIND, PartReplaced::KIND)->where('board_id', $job->board_id)
            ->whereRaw('COALESCE(JSON_VALUE(data, \'$.cap\'), JSON_VALUE(data, \'$.designator\')) = ?', [$cap])->orderBy('at')->orderBy('id')->get()->all();
        $replaced = false;
        $readings = [];
        foreach ($entries as $entry) {
            $data = $entry->data;
            $replaced = $replaced || $data instanceof PartReplaced;
            if (!$replaced && $data instanceof CapacitorRead) {
                $readings[$entry->job_id][] = Taken::recorded($data);
                $last = $entry;
            }
        }
        DB::table('capacitor_tests')->where('board_id', $job->board_id)->where('cap_key', $cap)->delete();
        if (!isset($last) || $at?->original === null) {
            return;
        }
        $part = $at->original;
        $standing = ReadingsOfVisit::of($part, $readings[$last->job_id], $list->railV($at));
        DB::table('capacitor_tests')->insert([
            'board_id' => $job->board_id, 'cap_key' => $cap, 'job_id' => $last->job_id, 'entry_id' => $last->id, 'kind' => $part->kind->value,
            'year' => $list->year(), 'marked_f' => $part->markedF, 'rated_v' => $part->ratedV,
            'verdict' => $standing->verdict->value, 'proven' => $standing->proven, 'at' => $last->at->format('Y-m-d H:i:s.v'), 'current' => true,
            'replaced' => $replaced,
        ]);
    }

    /** @return array{int, int} tested and bad parts of this kind and about this age, on other boards */
    public static function history(CapacitorKind $kind, ?int $year, string $board): array
    {
        $row = DB::table('capacitor_tests')->where('kind', $kind->value)->where('proven', true)->where('board_id', '<>', $board)
            ->when($year !== null, static fn ($query) => $query->whereBetween('year', [(int) $year - self::YEARS, (int) $year + self::YEARS]))
            ->selectRaw("COUNT(*) AS tested, COALESCE(SUM(verdict = 'replace'), 0) AS bad")->first();

        $counts = (array) $row;

        return [is_numeric($counts['tested'] ?? null) ? (int) $counts['tested'] : 0, is_numeric($counts['bad'] ?? null) ? (int) $counts['bad'] : 0];
    }
}
