<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Facts\PowerOn;
use Ash\Logbook\Entries\Overruled;
use Ash\Logbook\Gate;
use Ash\Logbook\OpenKind;
use Ash\Logbook\Outcome;
use Ash\Logbook\Stage;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** From rows to what is handed out. Lists are read as plain rows: a page with 500 entries is an ordinary page. */
final readonly class Cards
{
    public const TIME = 'Y-m-d\TH:i:s.v\Z';

    /** An instant as it was given, with its offset. */
    public const EXACT = 'Y-m-d\TH:i:s.uP';

    /** The columns that an entry's card needs. */
    public const ENTRY = ['id', 'job_id', 'board_id', 'kind', 'stage', 'at', 'author', 'person_id', 'minutes', 'text', 'data', 'corrects_id'];

    /** @return Builder every column a job card needs, in one query; left joins keep the list in the order of its own index, however large it is */
    public static function jobs(): Builder
    {
        return DB::table('jobs')->leftJoin('machines', 'machines.id', '=', 'jobs.machine_id')->leftJoin('boards', 'boards.id', '=', 'jobs.board_id')
            ->select('jobs.*', 'machines.bare', DB::raw("IF(machines.bare, 'in no machine', machines.name) AS machine_name"), 'boards.name as board_name');
    }

    public static function job(object $row): JobCard
    {
        $r = new Row($row);
        $sheet = json_decode($r->string('sheet'), true);
        $next = is_array($sheet) && is_array($sheet['next'] ?? null) ? $sheet['next'] : [];

        return new JobCard(
            id: $r->string('id'), label: sprintf('J-%04d', $r->int('number')), title: $r->string('title'), machine: $r->string('machine_name'),
            machine_id: $r->string('machine_id'), alone: $r->int('bare') === 1,
            board: $r->string('board_name'), board_id: $r->string('board_id'), owner: $r->string('owner'), state: $r->string('state'),
            stage_words: Stage::from($r->string('stage'))->words(), outcome_words: Outcome::tryFrom($r->text('outcome') ?? '')?->words(),
            handed_back: $r->int('handed_back') === 1,
            minutes: $r->int('minutes'), allowance_minutes: $r->int('allowance_minutes'), opened_at: self::time($r->string('opened_at')),
            closed_at: self::maybe($r->text('closed_at')), last_entry_at: self::time($r->string('last_entry_at')),
            next: self::step($next),
        );
    }

    /** An entry's structured part as a form takes it: what is stored, without the number of its form. */
    public static function data(Entry $entry): \stdClass
    {
        $data = $entry->stored();
        unset($data->form);

        return $data;
    }

    /**
     * @param array<string, string>        $correctedBy by the entry corrected
     * @param array<string, OverruledCard> $overruled   by the entry whose verdict it is
     */
    public static function entry(object $row, array $correctedBy, array $overruled = []): EntryCard
    {
        $r = new Row($row);
        $kinds = House::here()->hall->kinds;
        $kind = $r->string('kind');
        $data = json_decode($r->string('data'));
        $data = $data instanceof \stdClass ? $data : new \stdClass();
        $verdict = $data->verdict ?? null;
        unset($data->form);
        $said = $kinds->sentence($kind, $r->string('text'), $kinds->stored($kind, $r->string('data')));

        return new EntryCard(
            id: $r->string('id'), job_id: $r->string('job_id'), board_id: $r->text('board_id'), kind: $kind,
            kind_words: $kinds->all[$kind]->words ?? $kind, stage_words: Stage::from($r->string('stage'))->words(),
            at: self::time($r->string('at')), author: Entry::writtenBy($r->string('author'), $r->text('person_id') !== null),
            minutes: $r->int('minutes'), says: $said,
            verdict: is_string($verdict) ? $verdict : null, data: $data, text: $r->string('text'), corrects_id: $r->text('corrects_id'),
            corrected_by: $correctedBy[$r->string('id')] ?? null,
            overruled: $overruled[$r->string('id')] ?? null,
        );
    }

    /**
     * @param iterable<object> $rows      entries of one page
     * @param bool             $whole     all that may correct one of them are among them
     * @param list<object>     $overruled entries outside the page that overrule a verdict
     *
     * @return list<EntryCard>
     */
    public static function entries(iterable $rows, bool $whole = false, array $overruled = []): array
    {
        $rows = [...$rows];
        $ids = $whole ? [] : array_map(static fn (object $row): string => (new Row($row))->string('id'), $rows);
        $correctedBy = [];
        foreach ($whole ? $rows : ($ids === [] ? [] : DB::table('entries')->whereIn('corrects_id', $ids)->get(['id', 'corrects_id'])) as $later) {
            $correctedBy[(new Row($later))->string('corrects_id')] = (new Row($later))->string('id');
        }

        $corrected = $overruled === [] ? [] : DB::table('entries')->whereIn(
            'corrects_id',
            array_map(static fn (object $row): string => (new Row($row))->string('id'), $overruled),
        )
            ->pluck('id', 'corrects_id')->all();
        $overruled = self::overruled([...array_values($rows), ...$overruled], [...$correctedBy, ...array_filter($corrected, is_string(...))]);

        return array_map(static fn (object $row): EntryCard => self::entry($row, $correctedBy, $overruled), array_values($rows));
    }

    /**
     * @param list<object>          $rows
     * @param array<string, string> $correctedBy
     *
     * @return array<string, OverruledCard> by the entry whose verdict it is
     */
    private static function overruled(array $rows, array $correctedBy): array
    {
        $overruled = [];
        foreach ($rows as $row) {
            $r = new Row($row);
            if ($r->string('kind') === Overruled::KIND && !isset($correctedBy[$r->string('id')])) {
                $it = House::here()->hall->kinds->stored(Overruled::KIND, $r->string('data'));
                if ($it instanceof Overruled) {
                    $by = Entry::writtenBy($r->string('author'), $r->text('person_id') !== null);
                    $overruled[$it->of] = new OverruledCard($it->says, $it->reason, $by);
                }
            }
        }

        return $overruled;
    }

    /**
     * @param iterable<object> $rows of jobs()
     *
     * @return list<JobCard>
     */
    public static function jobCards(iterable $rows): array
    {
        return array_map(self::job(...), array_values([...$rows]));
    }

    /** @return list<OpenItemCard> */
    public static function itemCards(Builder $items): array
    {
        return array_values($items->get()->map(self::item(...))->all());
    }

    public static function item(object $row): OpenItemCard
    {
        $r = new Row($row);

        $kind = House::here()->hall->openKinds[$r->string('kind')] ?? new OpenKind($r->string('kind'), $r->string('kind'));

        return new OpenItemCard(
            id: $r->string('id'),
            job_id: $r->string('job_id'),
            job_label: sprintf('J-%04d', $r->int('number')),
            kind: $kind->name,
            kind_words: $kind->words,
            urgent: $kind->urgent,
            ends: OpenItemEnd::of($kind),
            text: $r->string('text'),
            asked: $r->text('asked'),
            since: self::time($r->string('since')),
            due: self::maybe($r->text('due')),
            is_due: $r->text('due') !== null && $r->string('due') <= now()->utc()->format('Y-m-d H:i:s'),
            ready: $r->text('ready'),
        );
    }

    public static function items(): Builder
    {
        return DB::table('open_items')->leftJoin('jobs', 'jobs.id', '=', 'open_items.job_id')->where('open', true)
            ->orderBy('since')->select('open_items.*', 'jobs.number');
    }

    /** @param array<mixed> $sheet as SheetDocument wrote it */
    public static function sheet(array $sheet): SheetCard
    {
        $list = static fn (array $of, string $key): array => is_array($of[$key] ?? null) ? array_values($of[$key]) : [];
        $strings = static fn (array $of, string $key): array => array_values(array_filter($list($of, $key), is_string(...)));
        $next = is_array($sheet['next'] ?? null) ? $sheet['next'] : [];

        return new SheetCard(
            known: $strings($sheet, 'known'),
            suspected: array_map(
                self::suspect(...),
                array_values(array_filter($list($sheet, 'suspected'), is_array(...))),
            ),
            next: self::step($next),
            gates: array_map(static fn (array $it): GateCard => new GateCard(
                Gate::from(self::word($it, 'gate')), self::word($it, 'words'), PowerOn::from(self::word($it, 'level')), ($it['closed'] ?? false) === true,
                $strings($it, 'why'), self::word($it, 'passed_because') ?: null,
            ), array_values(array_filter($list($sheet, 'gates'), is_array(...)))),
            notices: $strings($sheet, 'notices'),
            then: array_map(self::step(...), array_values(array_filter($list($sheet, 'then'), is_array(...)))),
            waits: array_map(self::step(...), array_values(array_filter($list($sheet, 'waits'), is_array(...)))),
        );
    }

    /** @param array<mixed> $it as SheetDocument wrote it; older ones say neither probability nor rank */
    private static function suspect(array $it): SuspectCard
    {
        $p = $it['probability'] ?? null;
        $weighed = ($it['weighed'] ?? false) === true;
        $chance = is_int($p) || is_float($p) ? self::percent((float) $p) : null;

        return new SuspectCard(self::word($it, 'text'), self::word($it, 'why'), $chance, $weighed, ($it['under'] ?? false) === true);
    }

    /** A chance as it is shown. */
    public static function percent(float $p): string
    {
        return $p > 0 && $p < 0.01 ? 'below 1 %' : round(100 * $p).' %';
    }

    /** @param array<mixed> $step as SheetDocument wrote it */
    private static function step(array $step): NextCard
    {
        $minutes = $step['minutes'] ?? null;

        return new NextCard(
            self::word($step, 'text'),
            self::word($step, 'why'),
            self::word($step, 'room') ?: null,
            is_int($minutes) || is_float($minutes) ? (float) $minutes : null,
        );
    }

    /** @param string $utc as the database writes it, "2026-03-01 09:30:00.000": rewritten and not parsed, a page has hundreds of them */
    public static function time(string $utc): string
    {
        return substr($utc, 0, 10).'T'.substr($utc, 11, 8).'.'.str_pad(substr($utc, 20, 3), 3, '0').'Z';
    }

    private static function maybe(?string $utc): ?string
    {
        return $utc === null ? null : self::time($utc);
    }

    /** @param array<mixed> $of */
    private static function word(array $of, string $key): string
    {
        return is_string($of[$key] ?? null) ? $of[$key] : '';
    }
}
