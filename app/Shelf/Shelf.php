<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Http\Conflict;
use App\Http\Once;
use App\Logbook\Board;
use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\JobSheets;
use App\Logbook\OpenItem;
use App\People\Person;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Document\Ulid;
use Ash\Logbook\Entries\PartReplaced;
use Ash\Logbook\Entries\WaitingFor;
use Ash\Shelf\Arrival;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Uid\Ulid as NewUlid;

/** What comes to the shelf and what leaves it. A quantity changes by a move in the same transaction, with its row locked, and never below nothing. */
final readonly class Shelf
{
    public const MOST = ShelfBody::MOST;

    /** @return array{ShelfItem, bool} the item, and whether it is new */
    public static function add(Node $body, Person $who): array
    {
        $id = Ulid::read($body->at('id'));

        return Once::made(
            static fn (): ?ShelfItem => ShelfItem::query()->find(strtolower($id)),
            static fn (): ShelfItem => self::create($id, self::read($body), $who),
        );
    }

    public static function create(string $id, ShelfBody $it, Person $who): ShelfItem
    {
        $item = ShelfItem::query()->create([...self::columns($it), 'id' => strtolower($id), 'quantity' => 0]);
        if ($it->quantity !== null && $it->quantity > 0) {
            self::change(new Move($item->id, $it->quantity, 'received', $who->name));
        }

        return $item->refresh();
    }

    /**
     * Many parts at once, in one transaction of the caller: a statement for some hundred rows, and what waits is looked at once.
     *
     * @param array<ShelfBody> $parts checked
     */
    public static function lay(array $parts, Person $who): void
    {
        $waiting = OpenItem::query()->where('kind', WaitingFor::KIND)->where('open', true)->whereNull('ready')->get();
        $now = now()->format('Y-m-d H:i:s.v');
        foreach (array_chunk($parts, 500) as $some) {
            $items = $moves = [];
            foreach ($some as $it) {
                $item = new ShelfItem([...self::columns($it), 'id' => strtolower(NewUlid::generate()), 'quantity' => max(0, $it->quantity ?? 0)]);
                $items[] = $item->getAttributes();
                if ($item->quantity > 0) {
                    $moves[] = [
                        'id' => NewUlid::generate(), 'item_id' => $item->id, 'change' => $item->quantity, 'why' => 'received', 'note' => null, 'job_id' => null,
                        'entry_id' => null, 'author' => $who->name, 'at' => $now,
                    ];
                    self::meet($item, $waiting);
                }
            }
            DB::table('shelf_items')->insert(array_map(static fn (array $it): array => [...$it, 'created_at' => $now, 'updated_at' => $now], $items));
            DB::table('shelf_moves')->insert($moves);
        }
    }

    public static function over(ShelfItem $item, Node $body): void
    {
        $item->update(self::columns(self::read($body, $item)));
    }

    /** A part as it is written down for the shelf, checked. */
    public static function read(Node $body, ?ShelfItem $over = null): ShelfBody
    {
        $it = Shape::of(ShelfBody::class)->read($body);
        if (ShelfItem::query()->where('sku', $it->sku)->when($over !== null, static fn ($query) => $query->where('id', '<>', $over?->id))->exists()) {
            $body->at('sku')->refuse("there is a \"{$it->sku}\" on the shelf already");
        }
        $it->donorBoard === null || Board::query()->where('id', $it->donorBoard)->exists() || $body->at('donor_board')->refuse('there is no such board');

        return $it;
    }

    /** @return array<string, string|float|int|bool|ShelfSpec|null> */
    private static function columns(ShelfBody $it): array
    {
        return [
            'sku' => $it->sku, 'name' => $it->called(), 'kind' => $it->kind?->value, 'marked_f' => $it->markedF, 'rated_v' => $it->ratedV,
            'spec' => $it->spec(),
            'low_at' => $it->lowAt, 'place' => $it->place, 'source' => $it->source, 'donor_board_id' => $it->donorBoard, 'tested' => $it->tested ?? false,
            'came_on' => $it->cameOn ?? now()->format('Y-m-d'),
        ];
    }

    /** @return ShelfItem after a receipt or a count */
    public static function move(ShelfItem $item, Node $body, Person $who): ShelfItem
    {
        $it = Shape::of(MoveBody::class)->read($body->exclusive('change', 'counted'));
        [$id, $note, $counted] = [$it->id, $it->note, $it->counted];
        $change = $it->change ?? 0;
        $counted !== null || $change !== 0 || $body->at('change')->refuse('must not be 0');
        Once::transaction(static function () use ($item, $id, $change, $counted, $note, $who, $body): void {
            $locked = ShelfItem::query()->lockForUpdate()->findOrFail($item->id);
            if (DB::table('shelf_moves')->where('id', $id)->sharedLock()->exists()) {
                return;
            }
            $by = $counted === null ? $change : $counted - $locked->quantity;
            if ($locked->quantity + $by < 0) {
                $body->at('change')->refuse("there are {$locked->quantity} on the shelf: the stock cannot go below nothing");
            }
            self::change(new Move($item->id, $by, $counted === null && $by > 0 ? 'received' : 'counted', $who->name, $note, $id));
        });

        return $item->refresh();
    }

    /** A part of the shelf goes onto a board, in the entry's own transaction: with the last one, one gets it and the other a clear word. */
    public static function use(Job $job, string $entry, string $shelf, int $wanted, string $author): ShelfItem
    {
        $id = strtolower($shelf);
        $item = ShelfItem::query()->lockForUpdate()->find($id) ?? throw InvalidDocument::at('/data/shelf', 'is not on the shelf');
        // Locking reads see what another transaction has just done; plain ones would show the state before this one waited.
        $others = self::sum(DB::table('shelf_reservations')
            ->where('item_id', $item->id)
            ->where('job_id', '<>', $job->id)
            ->sharedLock()
            ->pluck('quantity')->all());
        if ($item->quantity < $wanted) {
            $last = DB::table('shelf_moves')->where('item_id', $item->id)->where('change', '<', 0)->orderByDesc('at')->sharedLock()->first(['author']);
            throw InvalidDocument::at(
                '/data/shelf',
                "of {$item->name} ".($item->quantity === 0 ? 'none is' : "only {$item->quantity} are").' on the shelf'
                    .(is_object($last) && isset($last->author) && is_string($last->author) ? "; {$last->author} took the last" : ''),
            );
        }
        if ($item->quantity - $others < $wanted) {
            throw InvalidDocument::at('/data/shelf', "{$item->quantity} of {$item->name} are on the shelf, and {$others} of them are reserved for other jobs");
        }
        self::change(new Move($item->id, -$wanted, 'used', $author, job: $job->id, entry: $entry));
        $left = $wanted;
        foreach (DB::table('shelf_reservations')
            ->where('item_id', $item->id)
            ->where('job_id', $job->id)
            ->orderBy('at')
            ->lockForUpdate()
            ->get(['id', 'quantity']) as $row) {
            $held = is_numeric($row->quantity ?? null) ? (int) $row->quantity : 0;
            $taken = min($held, $left);
            $left -= $taken;
            $query = DB::table('shelf_reservations')->where('id', $row->id);
            $held === $taken ? $query->delete() : $query->update(['quantity' => $held - $taken]);
        }

        return $item;
    }

    /** The entry that took it was withdrawn or corrected: it lies on the shelf again. */
    public static function giveBack(string $entry, string $author): void
    {
        foreach (DB::table('shelf_moves')->where('entry_id', $entry)->where('why', 'used')->get() as $move) {
            self::change(new Move(
                (string) $move->item_id,
                -(int) $move->change,
                'returned',
                $author,
                'its entry was withdrawn',
                job: (string) $move->job_id,
                entry: $entry,
            ));
        }
    }

    /** An original that was taken off a board and is kept. */
    public static function keep(Entry $entry, PartReplaced $part, string $author): void
    {
        $board = Board::query()->find((string) $entry->board_id);
        $what = $part->from ?? 'part';
        $item = ShelfItem::query()->create([
            'id' => strtolower(NewUlid::generate()),
            'sku' => 'O-'.substr($entry->id, -8),
            'name' => mb_substr("Original {$part->designator} of {$board?->name}: {$what}", 0, 160),
            'spec' => new ShelfSpec(),
            'quantity' => 0,
            'place' => (string) $part->keptAt,
            'source' => 'taken off',
            'donor_board_id' => $board?->id,
            'tested' => false,
            'came_on' => $entry->at->format('Y-m-d'),
        ]);
        self::change(new Move($item->id, 1, 'kept', $author, job: $entry->job_id), false);
    }

    /** @return string the reservation's identifier */
    public static function reserve(ShelfItem $item, Node $body, Person $who): string
    {
        $it = Shape::of(ReservationBody::class)->read($body);
        [$id, $quantity] = [$it->id, $it->quantity];
        $job = Job::query()->where('state', 'open')->find($it->job) ?? $body->at('job')->refuse('is not an open job');
        Once::transaction(static function () use ($item, $id, $job, $quantity, $who, $body): void {
            $locked = ShelfItem::query()->lockForUpdate()->findOrFail($item->id);
            if (DB::table('shelf_reservations')->where('id', $id)->sharedLock()->exists()) {
                return;
            }
            $free = $locked->quantity - self::sum(DB::table('shelf_reservations')->where('item_id', $item->id)->sharedLock()->pluck('quantity')->all());
            $quantity <= $free || $body->at('quantity')->refuse("only {$free} of {$locked->name} are free");
            DB::table('shelf_reservations')->insert([
                'id' => $id,
                'item_id' => $item->id,
                'job_id' => $job->id,
                'quantity' => $quantity,
                'author' => $who->name,
                'at' => now()->format('Y-m-d H:i:s.v'),
            ]);
        });

        return $id;
    }

    public static function release(string $reservation): void
    {
        DB::table('shelf_reservations')->where('id', $reservation)->delete() > 0 ?: throw Conflict::at('', 'the reservation is gone already');
    }

    /** @param bool $meets whether what came may be what a job waits for */
    private static function change(Move $it, bool $meets = true): void
    {
        DB::table('shelf_moves')->insert([
            'id' => $it->id ?? NewUlid::generate(), 'item_id' => $it->item, 'change' => $it->by, 'why' => $it->why, 'note' => $it->note,
            'job_id' => $it->job, 'entry_id' => $it->entry, 'author' => $it->author, 'at' => now()->format('Y-m-d H:i:s.v'),
        ]);
        ShelfItem::query()->where('id', $it->item)->increment('quantity', $it->by);
        if ($it->by > 0 && $meets) {
            self::meet(ShelfItem::query()->findOrFail($it->item));
        }
    }

    /**
     * A part has come: what waits for it is marked, and its job comes up on the bench.
     *
     * @param Collection<int, OpenItem>|null $all that wait, when they are known
     */
    private static function meet(ShelfItem $item, ?Collection $all = null): void
    {
        foreach ($all ?? OpenItem::query()->where('kind', WaitingFor::KIND)->where('open', true)->whereNull('ready')->get() as $waiting) {
            if (Arrival::meets($waiting->text, $item->sku, $item->name)) {
                $ready = mb_substr("{$item->name} is on the shelf: {$item->place}", 0, 200);
                $first = OpenItem::query()->where('id', $waiting->id)->whereNull('ready')->update(['ready' => $ready]) > 0;
                $first && JobSheets::renew($waiting->job_id);
            }
        }
    }

    /** @param array<mixed> $quantities */
    private static function sum(array $quantities): int
    {
        return array_sum(array_map(static fn (mixed $it): int => is_numeric($it) ? (int) $it : 0, $quantities));
    }
}
