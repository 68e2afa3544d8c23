<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Document\Shape;
use Ash\Logbook\Entries\BoardMoved;
use Ash\Logbook\IntakeLine;
use Illuminate\Support\Facades\DB;

/** Boards go into places of machines and out of them, onto the shelf. A board is in one place at a time, and a place holds one board. */
final readonly class BoardMoves
{
    private const SHOWN = 50;

    /** With the names of the day. */
    public static function complete(BoardMoved $data): BoardMoved
    {
        $board = Board::query()->lockForUpdate()->find($data->board) ?? throw InvalidDocument::at('/data/board', 'there is no such board');
        $from = Machine::query()->findOrFail($board->machine_id);
        if ($data->to === null) {
            !$from->bare || throw InvalidDocument::at('/data/board', 'lies on the shelf already');

            return Shape::of(BoardMoved::class)->with($data, ['name' => $board->name, 'from' => $from->name]);
        }
        $into = Machine::query()->where('bare', false)->find($data->to) ?? throw InvalidDocument::at('/data/to', 'there is no such machine');
        $place = (string) $data->place;
        if (!$from->bare) {
            throw InvalidDocument::at('/data/board', $from->id === $into->id && $board->slot === $place
                ? 'sits there already' : "is fitted in {$from->name}: take it out there first");
        }
        $sitting = Board::query()->where('machine_id', $into->id)->where('slot', $place)->first();
        $sitting === null || throw InvalidDocument::at('/data/place', "is taken by {$sitting->name}: take that out first");

        return Shape::of(BoardMoved::class)->with($data, ['name' => $board->name, 'into' => $into->name]);
    }

    public static function make(Entry $entry, BoardMoved $data): void
    {
        $board = Board::query()->findOrFail($data->board);
        $from = Machine::query()->findOrFail($board->machine_id);
        $to = $data->to ?? self::shelf($board, $from)->id;
        $place = $data->place ?? $board->slot;
        DB::table('board_moves')->insert([
            'entry_id' => $entry->id, 'board_id' => $board->id, 'from_id' => $from->id, 'from_place' => $board->slot, 'to_id' => strtolower($to),
            'to_place' => $place, 'lent' => $data->lent === true, 'at' => $entry->at->format('Y-m-d H:i:s.v'), 'author' => $entry->author,
        ]);
        $board->update(['machine_id' => strtolower($to), 'slot' => $place]);
    }

    /** Written down by mistake: the board goes back, when it still is where that move put it and its place is free. */
    public static function undo(Entry $entry): void
    {
        $row = DB::table('board_moves')->where('entry_id', $entry->id)->where('undone', false)->first();
        if ($row === null) {
            return;
        }
        $r = new Row($row);
        $board = Board::query()->lockForUpdate()->findOrFail($r->string('board_id'));
        if ($board->machine_id !== $r->string('to_id') || $board->slot !== $r->string('to_place')) {
            throw InvalidDocument::at('/corrects', 'the board has been moved again since: take back the later move first');
        }
        if (Board::query()->where('machine_id', $r->string('from_id'))->where('slot', $r->string('from_place'))->exists()) {
            throw InvalidDocument::at('/corrects', 'another board sits where it came from: take that out first');
        }
        $board->update(['machine_id' => $r->string('from_id'), 'slot' => $r->string('from_place')]);
        DB::table('board_moves')->where('entry_id', $entry->id)->update(['undone' => true]);
    }

    /** @return list<string> of one machine: places whose board was taken out, so that nobody makes another one for them */
    public static function emptied(Machine $machine): array
    {
        return array_values(DB::table('board_moves')->where('from_id', $machine->id)->where('undone', false)->distinct()->pluck('from_place')
            ->map(static fn (mixed $it): string => is_string($it) ? $it : '')->all());
    }

    /** @return list<BoardMoveCard> latest first */
    public static function of(?Board $board, ?Machine $machine): array
    {
        $rows = DB::table('board_moves')->join('boards', 'boards.id', '=', 'board_moves.board_id')
            ->join(
                'machines as from',
                'from.id',
                '=',
                'from_id',
            )->join('machines as into', 'into.id', '=', 'to_id')->join('entries', 'entries.id', '=', 'entry_id')
            ->where('undone', false)
            ->when($board !== null, static fn ($q) => $q->where('board_moves.board_id', $board?->id))
            ->when($machine !== null, static fn ($q) => $q->where(static fn ($q) => $q->where('from_id', $machine?->id)->orWhere('to_id', $machine?->id)))
            ->orderByDesc('board_moves.at')->limit(self::SHOWN)
            ->get([
                'board_moves.*',
                'boards.name as board',
                'from.name as from_name',
                'from.bare as from_bare',
                'into.name as into_name',
                'into.bare as into_bare',
                'entries.job_id',
            ]);

        return array_values($rows->map(static function (object $row): BoardMoveCard {
            $r = new Row($row);

            return new BoardMoveCard(
                at: Cards::time($r->string('at')), author: $r->string('author'), job_id: $r->string('job_id'), board_id: $r->string('board_id'),
                board: $r->string('board'),
                from: $r->int('from_bare') === 1 ? 'the shelf' : "{$r->string('from_name')}, {$r->string('from_place')}",
                into: $r->int('into_bare') === 1 ? 'the shelf' : "{$r->string('into_name')}, {$r->string('to_place')}", lent: $r->int('lent') === 1,
            );
        })->all());
    }

    /** The bare place of a board in no machine. What its last machine's kind knows of it stays known. */
    private static function shelf(Board $board, Machine $from): Machine
    {
        return Machine::query()->create([
            'slug' => mb_substr(IntakeLine::slug($board->name), 0, 30).'-'.substr(strtolower($board->id), -10).'-'
                .(1 + DB::table('board_moves')->where('board_id', $board->id)->count()),
            'name' => $board->name, 'kind_id' => $from->kind_id, 'bare' => true,
        ]);
    }
}
