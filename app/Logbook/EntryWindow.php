<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\Node;
use Ash\Logbook\Entries\Overruled;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Part of a job's record: the latest, what lies before or after a place, around an entry or from a day on, or what holds a word. */
final readonly class EntryWindow
{
    private const PAGE = 60;

    /** Bytes of data and text in a window; a few entries are shown whatever they hold. */
    private const BYTES = 24_000;
    private const FEWEST = 10;

    public function __construct(private string $job)
    {
    }

    public function latest(): EntryList
    {
        return $this->back($this->entries());
    }

    /** @throws \Ash\Document\InvalidDocument */
    public function asked(Node $query): EntryList
    {
        $query->only('before', 'after', 'around', 'from', 'search');
        $search = $query->filled('search')?->text(120);
        $entries = $search === null ? $this->entries() : $this->entries()->where(static function (Builder $q) use ($search): void {
            $like = Named::like($search);
            $q->whereRaw('LOWER(text) LIKE ?', [$like])->orWhereRaw('LOWER(data) LIKE ?', [$like])->orWhereRaw('LOWER(author) LIKE ?', [$like]);
        });
        $after = $query->filled('after');
        $around = $query->filled('around');
        $from = $query->filled('from');
        if ($around !== null) {
            $row = $this->entries()->where('id', $around->string())->first(['at', 'id']) ?? $around->refuse('is no entry of this job');
            $before = $this->back(self::behind($entries, '<', Cursor::of($row, 'at'), $around), intdiv(self::PAGE, 6));
            $rest = $this->on(self::behind($entries, '>=', Cursor::of($row, 'at'), $around));

            return new EntryList([...$before->entries, ...$rest->entries], $before->before, $rest->after);
        }
        if ($from !== null) {
            preg_match('/^\d{4}-\d\d-\d\d$/D', $from->string()) === 1 || $from->refuse('must be a day such as 2026-03-01');
            $list = $this->on($entries->where('at', '>=', $from->string()));
            $earlier = $this->entries()->where('at', '<', $from->string())->exists();

            return new EntryList(
                $list->entries,
                $earlier ? rtrim(strtr(base64_encode("{$from->string()} 00:00:00.000|".str_repeat('0', 26)), '+/', '-_'), '=') : null,
                $list->after,
            );
        }
        if ($after !== null) {
            return $this->on(self::behind($entries, '>', $after->string(), $after));
        }
        $before = $query->filled('before');

        return $this->back($before === null ? $entries : self::behind($entries, '<', $before->string(), $before));
    }

    private function entries(): Builder
    {
        return DB::table('entries')->where('job_id', $this->job);
    }

    private static function behind(Builder $entries, string $than, string $cursor, Node $said): Builder
    {
        [$at, $id] = Cursor::read(Node::of($cursor, $said->pointer));
        $strictly = $than[0];

        return (clone $entries)->where('at', $than[0].'=', $at)->where(static fn ($q) => $q->where('at', $strictly, $at)->orWhere('id', $than, $id));
    }

    private function back(Builder $entries, int $page = self::PAGE): EntryList
    {
        [$rows, $more] = self::fitting($entries->orderByDesc('at')->orderByDesc('id')->limit($page + 1)->get(Cards::ENTRY)->all(), $page);
        $rows = array_reverse($rows);

        return new EntryList($this->cards($rows), $more ? Cursor::of($rows[0], 'at') : null, null);
    }

    private function on(Builder $entries): EntryList
    {
        [$rows, $more] = self::fitting($entries->orderBy('at')->orderBy('id')->limit(self::PAGE + 1)->get(Cards::ENTRY)->all(), self::PAGE);

        return new EntryList($this->cards($rows), null, $more ? Cursor::of($rows[count($rows) - 1], 'at') : null);
    }

    /**
     * @param array<int, \stdClass> $rows
     *
     * @return array{list<\stdClass>, bool} those that fit, and whether there are more
     */
    private static function fitting(array $rows, int $page): array
    {
        $bytes = 0;
        $fit = [];
        foreach ($rows as $row) {
            $bytes += strlen((new Row($row))->string('data')) + strlen((new Row($row))->string('text'));
            if (count($fit) === $page || ($bytes > self::BYTES && count($fit) >= self::FEWEST)) {
                return [$fit, true];
            }
            $fit[] = $row;
        }

        return [$fit, false];
    }

    /**
     * @param list<\stdClass> $rows
     *
     * @return list<EntryCard>
     */
    private function cards(array $rows): array
    {
        return Cards::entries($rows, overruled: array_values($this->entries()->where('kind', Overruled::KIND)->limit(500)->get(Cards::ENTRY)->all()));
    }
}
