<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Http\Conflict;
use App\Logbook\Board;
use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\JobSheets;
use App\Logbook\OpenItem;
use App\Logbook\Record;
use App\People\Person;
use Ash\Capacitors\Kind;
use Ash\Capacitors\Stock;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Ulid;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Quantity\UnreadableQuantity;
use Ash\Shelf\Arrival;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Uid\Ulid as NewUlid;

/** What comes to the shelf and what leaves it. A quantity changes by a move in the same transaction, with its row locked, and never below nothing. */
final readonly class Shelf
{
    private const SPEC = ['tolerance_minus_pct', 'tolerance_plus_pct', 'esr_ohm', 'hours', 'temperature_c', 'diameter_mm', 'height_mm', 'pitch_mm', 'safety_class'];
    private const FIELDS = ['id', 'sku', 'name', 'kind', 'marked_f', 'rated_v', 'quantity', 'low_at', 'place', 'source', 'donor_board', 'tested', 'came_on'];
    public const MOST = 1_000_000;

    /** @return array{ShelfItem, bool} the item, and whether it is new */
    public static function add(Node $body, Person $who): array
    {
        $id = Ulid::read($body->at('id'));
        $known = ShelfItem::query()->find(strtolower($id));
        if ($known !== null) {
            return [$known, false];
        }

        return [DB::transaction(static fn (): ShelfItem => self::create($id, self::read($body), $who)), true];
    }

    /** @param array<string, mixed> $fields */
    public static function create(string $id, array $fields, Person $who): ShelfItem
    {
        $quantity = is_int($fields['quantity'] ?? null) ? $fields['quantity'] : 0;
        $item = ShelfItem::query()->create([...$fields, 'id' => strtolower($id), 'quantity' => 0]);
        if ($quantity > 0) {
            self::change($item->id, $quantity, 'received', null, $who->name);
        }

        return $item->refresh();
    }

    /**
     * A part as it is written down for the shelf, checked.
     *
     * @return array<string, mixed>
     */
    public static function read(Node $body, ?ShelfItem $over = null): array
    {
        $body->only(...self::FIELDS, ...self::SPEC);
        $sku = $body->at('sku');
        if (ShelfItem::query()->where('sku', $sku->text(60))->when($over !== null, static fn ($query) => $query->where('id', '<>', $over?->id))->exists()) {
            $sku->refuse("there is a \"{$sku->text(60)}\" on the shelf already");
        }
        $board = $body->filled('donor_board');
        $board === null || Board::query()->where('id', $board->string())->exists() || $board->refuse('there is no such board');
        $spec = array_filter(array_map(static fn (string $field): mixed => $body->filled($field)?->raw(), array_combine(self::SPEC, self::SPEC)), static fn (mixed $it): bool => $it !== null);
        $kind = $body->filled('kind')?->enum(Kind::class);
        $farad = self::quantity($body->filled('marked_f'), Unit::Farad);
        $volts = self::quantity($body->filled('rated_v'), Unit::Volt);
        if ($kind === null) {
            foreach ([...array_keys($spec), ...($farad === null ? [] : ['marked_f']), ...($volts === null ? [] : ['rated_v'])] as $field) {
                $body->at($field)->refuse('belongs to a capacitor: say its kind');
            }
        } else {
            $farad === null && $body->at('marked_f');
            $volts === null && $body->at('rated_v');
            // The core reads it as it will choose by it, so that nothing on the shelf is ever refused later.
            Stock::read(Node::of((object) [...$spec, 'sku' => $sku->text(60), 'kind' => $kind->value, 'marked_f' => $farad, 'rated_v' => $volts, 'quantity' => 0]));
        }
        $name = $body->filled('name')?->text(160) ?? ($kind === null ? $body->at('name')->text(160) : Notation::print((float) $farad, Unit::Farad, 4).' '.Notation::print((float) $volts, Unit::Volt).' '.$kind->words());

        return [
            'sku' => $sku->text(60), 'name' => $name, 'kind' => $kind?->value, 'marked_f' => $farad, 'rated_v' => $volts, 'spec' => $spec,
            'quantity' => $body->filled('quantity')?->integer(0, self::MOST) ?? 0, 'low_at' => $body->filled('low_at')?->integer(0, self::MOST), 'place' => $body->at('place')->text(120), 'source' => $body->filled('source')?->text(120),
            'donor_board_id' => $board?->string(), 'tested' => $body->filled('tested')?->bool() ?? false, 'came_on' => self::day($body->filled('came_on')),
        ];
    }

    /** @return ShelfItem after a receipt or a count */
    public static function move(ShelfItem $item, Node $body, Person $who): ShelfItem
    {
        $id = Ulid::read($body->only('id', 'change', 'counted', 'note')->exclusive('change', 'counted')->at('id'));
        $note = $body->optional('note')?->isNull() === false ? $body->at('note')->text(200) : null;
        $counted = $body->has('counted') ? $body->at('counted')->integer(0, self::MOST) : null;
        $change = $counted === null ? $body->at('change')->integer(-self::MOST, self::MOST) : 0;
        $counted !== null || $change !== 0 || $body->at('change')->refuse('must not be 0');
        DB::transaction(static function () use ($item, $id, $change, $counted, $note, $who, $body): void {
            if (DB::table('shelf_moves')->where('id', $id)->exists()) {
                return;
            }
            $locked = ShelfItem::query()->lockForUpdate()->findOrFail($item->id);
            $by = $counted === null ? $change : $counted - $locked->quantity;
            if ($locked->quantity + $by < 0) {
                $body->at('change')->refuse("there are {$locked->quantity} on the shelf: the stock cannot go below nothing");
            }
            self::change($item->id, $by, $counted === null && $by > 0 ? 'received' : 'counted', $note, $who->name, $id);
        });

        return $item->refresh();
    }

    /**
     * A part of the shelf goes onto a board, in the entry's own transaction: with the last one, one gets it and the other a clear word.
     *
     * @param array<string, mixed> $data of a part-replaced entry
     */
    public static function use(Job $job, string $entry, array $data, string $author): ShelfItem
    {
        $id = is_string($data['shelf'] ?? null) ? strtolower($data['shelf']) : '';
        $wanted = is_int($data['quantity'] ?? null) ? $data['quantity'] : 1;
        $item = ShelfItem::query()->lockForUpdate()->find($id) ?? throw InvalidDocument::at('/data/shelf', 'is not on the shelf');
        // Locking reads see what another transaction has just done; plain ones would show the state before this one waited.
        $others = self::sum(DB::table('shelf_reservations')->where('item_id', $item->id)->where('job_id', '<>', $job->id)->sharedLock()->pluck('quantity')->all());
        if ($item->quantity < $wanted) {
            $last = DB::table('shelf_moves')->where('item_id', $item->id)->where('change', '<', 0)->orderByDesc('at')->sharedLock()->first(['author']);
            throw InvalidDocument::at('/data/shelf', "of {$item->name} ".($item->quantity === 0 ? 'none is' : "only {$item->quantity} are").' on the shelf'.(is_object($last) && isset($last->author) && is_string($last->author) ? "; {$last->author} took the last" : ''));
        }
        if ($item->quantity - $others < $wanted) {
            throw InvalidDocument::at('/data/shelf', "{$item->quantity} of {$item->name} are on the shelf, and {$others} of them are reserved for other jobs");
        }
        self::change($item->id, -$wanted, 'used', null, $author, null, $job->id, $entry);
        $left = $wanted;
        foreach (DB::table('shelf_reservations')->where('item_id', $item->id)->where('job_id', $job->id)->orderBy('at')->lockForUpdate()->get(['id', 'quantity']) as $row) {
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
            self::change((string) $move->item_id, -(int) $move->change, 'returned', 'its entry was withdrawn', $author, null, (string) $move->job_id, $entry);
        }
    }

    /** An original that was taken off a board and is kept. */
    public static function keep(Entry $entry, string $author): void
    {
        $board = Board::query()->find((string) $entry->board_id);
        $what = Record::word($entry, 'from') ?: 'part';
        $id = NewUlid::generate();
        ShelfItem::query()->create([
            'id' => strtolower($id), 'sku' => 'O-'.substr($entry->id, -8), 'name' => mb_substr('Original '.Record::word($entry, 'designator')." of {$board?->name}: {$what}", 0, 160), 'spec' => [], 'quantity' => 0,
            'place' => Record::word($entry, 'kept_at'), 'source' => 'taken off', 'donor_board_id' => $board?->id, 'tested' => false, 'came_on' => $entry->at->format('Y-m-d'),
        ]);
        self::change(strtolower($id), 1, 'kept', null, $author, null, $entry->job_id, null, false);
    }

    /** @return string the reservation's identifier */
    public static function reserve(ShelfItem $item, Node $body, Person $who): string
    {
        $id = Ulid::read($body->only('id', 'job', 'quantity')->at('id'));
        $job = Job::query()->where('state', 'open')->find($body->at('job')->string()) ?? $body->at('job')->refuse('is not an open job');
        $quantity = $body->at('quantity')->integer(1, self::MOST);
        DB::transaction(static function () use ($item, $id, $job, $quantity, $who, $body): void {
            if (DB::table('shelf_reservations')->where('id', $id)->exists()) {
                return;
            }
            $locked = ShelfItem::query()->lockForUpdate()->findOrFail($item->id);
            $free = $locked->quantity - self::sum(DB::table('shelf_reservations')->where('item_id', $item->id)->sharedLock()->pluck('quantity')->all());
            $quantity <= $free || $body->at('quantity')->refuse("only {$free} of {$locked->name} are free");
            DB::table('shelf_reservations')->insert(['id' => $id, 'item_id' => $item->id, 'job_id' => $job->id, 'quantity' => $quantity, 'author' => $who->name, 'at' => now()->format('Y-m-d H:i:s.v')]);
        });

        return $id;
    }

    public static function release(string $reservation): void
    {
        DB::table('shelf_reservations')->where('id', $reservation)->delete() > 0 ?: throw Conflict::at('', 'the reservation is gone already');
    }

    private static function change(string $item, int $by, string $why, ?string $note, string $author, ?string $id = null, ?string $job = null, ?string $entry = null, bool $meets = true): void
    {
        DB::table('shelf_moves')->insert(['id' => $id ?? NewUlid::generate(), 'item_id' => $item, 'change' => $by, 'why' => $why, 'note' => $note, 'job_id' => $job, 'entry_id' => $entry, 'author' => $author, 'at' => now()->format('Y-m-d H:i:s.v')]);
        ShelfItem::query()->where('id', $item)->increment('quantity', $by);
        if ($by > 0 && $meets) {
            self::meet(ShelfItem::query()->findOrFail($item));
        }
    }

    /** A part has come: what waits for it is marked, and its job comes up on the bench. */
    private static function meet(ShelfItem $item): void
    {
        foreach (OpenItem::query()->where('kind', 'waiting')->where('open', true)->whereNull('ready')->get() as $waiting) {
            if (Arrival::meets($waiting->text, $item->sku, $item->name)) {
                OpenItem::query()->where('id', $waiting->id)->update(['ready' => mb_substr("{$item->name} is on the shelf: {$item->place}", 0, 200)]);
                JobSheets::renew($waiting->job_id);
            }
        }
    }

    /** @param array<mixed> $quantities */
    private static function sum(array $quantities): int
    {
        return array_sum(array_map(static fn (mixed $it): int => is_numeric($it) ? (int) $it : 0, $quantities));
    }

    private static function day(?Node $node): string
    {
        if ($node === null) {
            return now()->format('Y-m-d');
        }
        $text = $node->string();
        $day = \DateTimeImmutable::createFromFormat('!Y-m-d', $text);

        return $day !== false && $day->format('Y-m-d') === $text ? $text : $node->refuse('must be a day such as 2026-03-01');
    }

    private static function quantity(?Node $node, Unit $unit): ?float
    {
        if ($node === null) {
            return null;
        }
        try {
            $value = is_string($node->raw()) ? Notation::read($node->string(), $unit) : $node->number();
        } catch (UnreadableQuantity $problem) {
            $node->refuse($problem->getMessage());
        }

        return $value > 0 ? $value : $node->refuse('must be above 0');
    }
}
