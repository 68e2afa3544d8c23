<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\Json;
use Ash\Document\Node;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * A board's record as one JSON document. It is signed with the key of this installation, so that what comes back here is known from what
 * somebody else wrote (ImportRecord).
 */
final readonly class BoardRecord
{
    public const FORMAT = 'ash-bench/board-record/1';
    private const FLAGS = JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION;

    /** @param bool $archived with what has a file beside it */
    public static function export(Board $board, bool $archived = false): string
    {
        $file = self::write($board, $archived);
        $text = (string) file_get_contents($file);
        unlink($file);

        return $text;
    }

    /**
     * Entry by entry, so that a record of any length takes the same memory.
     *
     * @param bool $archived with what has a file beside it
     *
     * @return string a temporary file
     */
    public static function write(Board $board, bool $archived = false): string
    {
        $machine = Machine::query()->findOrFail($board->machine_id);
        $ids = DB::table('jobs')->where('board_id', $board->id)->select('id')->union(
            DB::table('entries')->where('board_id', $board->id)->select('job_id'),
        )->pluck('id');
        $jobs = DB::table('jobs')->leftJoin('boards', 'boards.id', '=', 'jobs.board_id')->whereIn('jobs.id', $ids)->orderBy('opened_at')->orderBy('jobs.id')
            ->get(['jobs.*', 'boards.slot']);
        $parts = [
            'format' => self::FORMAT,
            'machine' => Node::parse(Described::of($machine->id, $board->id)->json)->object(),
            'board' => ['id' => $board->id, 'slot' => $board->slot, 'machine' => $machine->id],
            'jobs' => $jobs->map(static function (object $row): array {
                $r = new Row($row);

                return [
                    'id' => $r->string('id'), 'board' => $r->string('board_id'), 'board_slot' => $r->string('slot'), 'title' => $r->string('title'),
                    'owner' => $r->string('owner'), 'allowance_minutes' => $r->int('allowance_minutes'), 'opened_at' => Cards::time($r->string('opened_at')),
                ];
            })->all(),
            ...self::parts($board, $archived),
            'entries' => null,
        ];
        $file = (string) tempnam(sys_get_temp_dir(), 'record');
        $out = fopen($file, 'w') ?: throw new \RuntimeException("cannot write {$file}");
        $entries = tmpfile() ?: throw new \RuntimeException('cannot write a temporary file');
        // It is signed as it reads with its members in order (Json::canonical), the entries among them.
        $hash = hash_init('sha256', HASH_HMAC, self::keys()[0]);
        $names = array_keys($parts);
        sort($names, SORT_STRING);
        foreach ($names as $i => $name) {
            hash_update($hash, ($i === 0 ? '{' : ',').json_encode($name, JSON_THROW_ON_ERROR).':');
            $name === 'entries' ? self::entries($board, $hash, $entries) : hash_update($hash, self::canonical($parts[$name]));
        }
        hash_update($hash, '}');
        fwrite($out, "{\n");
        foreach ($parts as $name => $part) {
            fwrite($out, "    \"{$name}\": ");
            if ($name === 'entries') {
                rewind($entries);
                stream_copy_to_stream($entries, $out);
            } else {
                fwrite($out, self::indented(json_encode($part, self::FLAGS), '    '));
            }
            fwrite($out, ",\n");
        }
        fwrite($out, '    "signature": "'.hash_final($hash)."\"\n}\n");
        fclose($entries);
        fclose($out);

        return $file;
    }

    /** Whether this installation, under its key or an earlier one, wrote the document as it stands. */
    public static function isOwn(\stdClass $document): bool
    {
        $given = $document->signature ?? null;
        $rest = clone $document;
        unset($rest->signature);

        return is_string($given) && self::signed(Json::canonical($rest), $given);
    }

    public static function sign(string $text): string
    {
        return hash_hmac('sha256', $text, self::keys()[0]);
    }

    public static function signed(string $text, string $signature): bool
    {
        return array_filter(self::keys(), static fn (string $key): bool => hash_equals(hash_hmac('sha256', $text, $key), $signature)) !== [];
    }

    /** @return non-empty-list<string> the key of today first */
    private static function keys(): array
    {
        $earlier = config('app.previous_keys');
        $key = config('app.key');

        return [is_string($key) ? $key : '', ...array_values(array_filter(is_array($earlier) ? $earlier : [], is_string(...)))];
    }

    /** @return array<string, mixed> what the rooms put beside the entries */
    private static function parts(Board $board, bool $archived): array
    {
        return array_merge(...array_map(
            static fn (Exchange $it): array => [...$it->document($board), ...($archived ? $it->filed($board) : [])],
            self::exchanges(),
        ));
    }

    /** @param resource $to */
    private static function entries(Board $board, \HashContext $hash, mixed $to): void
    {
        $exchanges = self::exchanges();
        $query = DB::table('entries')->where('entries.board_id', $board->id)
            ->orderBy('entries.at')->orderByRaw('entries.corrects_id IS NOT NULL')->orderBy('entries.id')
            ->select(
                'entries.id',
                'entries.job_id',
                'entries.kind',
                'entries.stage',
                'entries.at',
                'entries.author',
                'entries.minutes',
                'entries.text',
                'entries.data',
                'entries.corrects_id',
            );
        foreach ($exchanges as $it) {
            $it->besideEntries($query);
        }
        hash_update($hash, '[');
        $first = true;
        foreach (self::rows($query) as $row) {
            $r = new Row($row);
            $data = json_decode($r->string('data'));
            $entry = array_merge([
                'id' => $r->string('id'), 'job' => $r->string('job_id'), 'kind' => $r->string('kind'), 'stage' => $r->string('stage'),
                'at' => Cards::time($r->string('at')), 'author' => $r->string('author'), 'minutes' => $r->int('minutes'), 'text' => $r->string('text'),
                'data' => $data instanceof \stdClass ? $data : new \stdClass(), 'corrects' => $r->text('corrects_id'),
            ], ...array_map(static fn (Exchange $it): array => $it->entry($r), $exchanges));
            hash_update($hash, ($first ? '' : ',').self::canonical($entry));
            fwrite($to, ($first ? '[' : ',')."\n        ".self::indented(json_encode($entry, self::FLAGS), '        '));
            $first = false;
        }
        hash_update($hash, ']');
        fwrite($to, $first ? '[]' : "\n    ]");
    }

    /**
     * One after the other from the database, which keeps them: no other query may be asked on this connection meanwhile.
     *
     * @return \Generator<int, object>
     */
    private static function rows(Builder $query): \Generator
    {
        $pdo = DB::connection()->getPdo();
        $pdo->setAttribute(\PDO::MYSQL_ATTR_USE_BUFFERED_QUERY, false);
        try {
            yield from $query->cursor();
        } finally {
            $pdo->setAttribute(\PDO::MYSQL_ATTR_USE_BUFFERED_QUERY, true);
        }
    }

    private static function canonical(mixed $part): string
    {
        return Json::canonical(json_decode(json_encode($part, self::FLAGS), false, 512, JSON_THROW_ON_ERROR));
    }

    private static function indented(string $json, string $by): string
    {
        return str_replace("\n", "\n{$by}", $json);
    }

    /** @return list<Exchange> */
    public static function exchanges(): array
    {
        return array_values(array_filter(array_map(static fn (Room $room): ?Exchange => $room->exchange(), House::here()->rooms)));
    }
}
