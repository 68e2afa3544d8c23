<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\Words;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Which job holds which word. An index of the database over the texts took 6 to 28 s for a word that many entries hold (2 000 000 entries),
 * this takes what it shows. It is read out of the record when somebody searches, so that an entry costs nothing more: what is read again by
 * chance is there already.
 */
final readonly class JobWords
{
    /** Entries that are read in one step. */
    private const STEP = 5_000;

    /** An entry may become visible a little after the time it was received at: so much is read again. */
    private const AGAIN_S = 30;

    /** Words that begin so are tried for a word that nobody wrote. */
    private const BEGINNINGS = 20;
    private const PAGE = 20;
    private const SHOWN = 3;

    /** @return bool whether all entries have been read */
    public static function read(): bool
    {
        $from = new Row(DB::table('words_read')->first() ?? (object) ['upto' => '1970-01-01', 'id' => '']);
        $rows = DB::table('entries')->join('jobs', 'jobs.id', '=', 'entries.job_id')
            ->where('received_at', '>=', $from->string('upto'))
            ->where(static fn (Builder $q) => $q->where('received_at', '>', $from->string('upto'))->orWhere('entries.id', '>', $from->string('id')))
            ->orderBy('received_at')->orderBy('entries.id')->limit(self::STEP)
            ->get(['entries.id', 'jobs.number', 'jobs.title', 'kind', 'text', 'data', 'received_at']);
        $kinds = House::here()->hall->kinds;
        $words = [];
        $last = null;
        foreach ($rows as $it) {
            $row = $last = new Row($it);
            $said = $kinds->sentence($row->string('kind'), $row->string('text'), $kinds->stored($row->string('kind'), $row->string('data')));
            foreach (Words::of("{$row->string('title')} {$row->string('text')} {$said}") as $word) {
                $words["{$word}\0{$row->int('number')}"] = ['word' => $word, 'number' => $row->int('number')];
            }
        }
        ksort($words);
        foreach (array_chunk(array_values($words), 2_000) as $some) {
            DB::table('job_words')->insertOrIgnore($some);
        }
        if ($last !== null) {
            $again = now()->subSeconds(self::AGAIN_S)->format('Y-m-d H:i:s.v');
            $late = $last->string('received_at') >= $again;
            DB::table('words_read')->update(
                $late ? ['upto' => max($again, $from->string('upto')), 'id' => ''] : ['upto' => $last->string('received_at'), 'id' => $last->string('id')],
            );
        }

        return count($rows) < self::STEP;
    }

    /**
     * Jobs that hold all the words, the latest first.
     *
     * @param list<string> $words
     *
     * @return list<int> numbers, one more than a page has when there are more
     */
    public static function jobs(array $words, ?int $before): array
    {
        $alternatives = array_map(self::alternatives(...), $words);
        if ($words === [] || in_array([], $alternatives, true)) {
            return [];
        }
        $query = self::held(DB::table('job_words as first'), 'first', $alternatives[0])->orderByDesc('first.number')->limit(self::PAGE + 1);
        $before === null || $query->where('first.number', '<', $before);
        foreach (array_slice($alternatives, 1) as $some) {
            $query->whereExists(
                static fn (Builder $q) => self::held($q->from('job_words as other')->whereColumn('other.number', 'first.number'), 'other', $some),
            );
        }

        return array_values(array_map(static fn (mixed $it): int => is_numeric($it) ? (int) $it : 0, $query->pluck('first.number')->all()));
    }

    /** @param list<string> $words one of them; with a single one the key gives the order, with several the numbers are sorted */
    private static function held(Builder $query, string $as, array $words): Builder
    {
        return count($words) === 1 ? $query->where("{$as}.word", $words[0]) : $query->whereIn("{$as}.word", $words)->distinct();
    }

    public static function page(): int
    {
        return self::PAGE;
    }

    /** @return list<string> the word itself, or words that begin with it */
    private static function alternatives(string $word): array
    {
        if (DB::table('job_words')->where('word', $word)->exists()) {
            return [$word];
        }
        $found = DB::table('job_words')
            ->where('word', 'like', addcslashes($word, '%_\\').'%')
            ->distinct()
            ->orderBy('word')
            ->limit(self::BEGINNINGS)
            ->pluck('word')->all();

        return array_values(array_filter($found, is_string(...)));
    }

    /**
     * The latest entries of a job that hold one of the words.
     *
     * @param list<string> $words
     *
     * @return list<FoundEntry>
     */
    public static function entries(string $job, array $words): array
    {
        $rows = DB::table('entries')->where('job_id', $job)->where(static function (Builder $q) use ($words): void {
            foreach ($words as $word) {
                $like = Named::like($word);
                $q->orWhereRaw('LOWER(text) LIKE ?', [$like])->orWhereRaw('LOWER(data) LIKE ?', [$like]);
            }
        })->orderByDesc('at')->orderByDesc('id')->limit(self::SHOWN)->get(['id', 'at', 'kind', 'text', 'data']);
        $kinds = House::here()->hall->kinds;

        return array_values(array_map(static function (object $it) use ($kinds): FoundEntry {
            $row = new Row($it);
            $said = $kinds->sentence($row->string('kind'), $row->string('text'), $kinds->stored($row->string('kind'), $row->string('data')));

            return new FoundEntry($row->string('id'), Cards::time($row->string('at')), $said);
        }, $rows->all()));
    }
}
