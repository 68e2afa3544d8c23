<?php

declare(strict_types=1);

namespace App\Shelf;

use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Illuminate\Support\Facades\DB;

/** Parts of the shelf as they are handed out. */
final readonly class ShelfCards
{
    /**
     * @param array<ShelfItem> $items
     * @param string|null      $job   whose own reservations count as free
     *
     * @return array<string, ShelfCard> by item
     */
    public static function of(array $items, ?string $job = null): array
    {
        $ids = array_map(static fn (ShelfItem $it): string => $it->id, $items);
        $reserved = DB::table('shelf_reservations')
            ->whereIn('item_id', $ids)
            ->when($job !== null, static fn ($query) => $query->where('job_id', '<>', $job))
            ->groupBy('item_id')
            ->selectRaw('item_id, SUM(quantity) AS held')
            ->pluck('held', 'item_id');
        $boards = DB::table('boards')
            ->leftJoin('machines', 'machines.id', '=', 'boards.machine_id')
            ->whereIn('boards.id', array_filter(array_map(static fn (ShelfItem $it): ?string => $it->donor_board_id, $items)))
            ->selectRaw("boards.id, CONCAT(machines.name, ', ', boards.name) AS name")
            ->pluck('name', 'id');
        $cards = [];
        foreach ($items as $it) {
            $held = is_numeric($reserved->get($it->id)) ? (int) $reserved->get($it->id) : 0;
            $board = $boards->get($it->donor_board_id ?? '');
            // Read once: every access to a cast column decodes it again.
            $spec = $it->spec;
            $came = $it->getRawOriginal('came_on');
            $cards[$it->id] = new ShelfCard(
                id: $it->id,
                sku: $it->sku,
                name: $it->name,
                kind: $it->kind,
                value: $it->marked_f === null || $it->rated_v === null
                    ? null
                    : Notation::print($it->marked_f, Unit::Farad, 4).' '.Notation::print($it->rated_v, Unit::Volt),
                quantity: $it->quantity,
                reserved: $held,
                free: max(0, $it->quantity - $held),
                low: $it->low(),
                low_at: $it->low_at,
                place: $it->place,
                source: $it->source,
                donor_board: is_string($board) ? $board : null,
                donor_board_id: $it->donor_board_id,
                tested: $it->tested,
                came_on: is_string($came) ? substr($came, 0, 10) : '',
                diameter_mm: $spec->diameterMm,
                height_mm: $spec->heightMm,
                pitch_mm: $spec->pitchMm,
                temperature_c: $spec->temperatureC,
                hours: $spec->hours,
            );
        }

        return $cards;
    }
}
