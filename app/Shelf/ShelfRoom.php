<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Room;
use App\Logbook\Taking;
use Ash\Document\Shape;
use Ash\Logbook\Entries\PartReplaced;
use Ash\Logbook\EntryData;
use Ash\Logbook\LogbookRoom as Core;
use Illuminate\Support\Facades\Route;

/** What the shelf brings on this floor. */
final class ShelfRoom extends Room
{
    public function name(): string
    {
        return 'shelf';
    }

    public function reads(): void
    {
        Route::get('shelf', [ShelfController::class, 'index']);
        Route::get('shelf/{item}', [ShelfController::class, 'show']);
        Route::get('shopping', [ShoppingController::class, 'shopping']);
        Route::get('labels', [ShoppingController::class, 'labels']);
    }

    public function records(): void
    {
        Route::post('shelf', [ShelfController::class, 'store']);
        Route::post('shelf/import', [ShelfController::class, 'import']);
        Route::put('shelf/{item}', [ShelfController::class, 'update']);
        Route::post('shelf/{item}/moves', [ShelfController::class, 'move']);
        Route::post('shelf/{item}/reservations', [ShelfController::class, 'reserve']);
        Route::delete('shelf-reservations/{reservation}', [ShelfController::class, 'release']);
    }

    public function pages(): void
    {
        Route::get('shelf.csv', [ShelfController::class, 'csv']);
        Route::get('shopping.csv', [ShoppingController::class, 'csv']);
    }

    /** A part from the shelf leaves it with the entry, or the entry is not made. */
    public function complete(EntryData $data, Taking $at): EntryData
    {
        if (!$data instanceof PartReplaced) {
            return $data;
        }
        // A correction gives back what the entry before it took, before it takes its own.
        if ($at->draft->corrects !== null) {
            Shelf::giveBack($at->draft->corrects, $at->who->name);
        }
        if ($data->shelf === null) {
            return $data;
        }
        $item = Shelf::use($at->job, $at->draft->id, $data->shelf, $data->quantity ?? 1, $at->who->name);

        return Shape::of(PartReplaced::class)->with($data, [
            'sku' => $item->sku, 'source' => $data->source ?? "shelf, {$item->place}", 'fitted' => $item->part(),
        ]);
    }

    public function taken(Entry $entry, Taking $at): void
    {
        $data = $entry->as(PartReplaced::class);
        if ($data?->keptAt !== null && $at->draft->corrects === null) {
            Shelf::keep($entry, $data, $at->who->name);
        }
    }

    /** What came from the shelf lies there again. A correction has given it back already. */
    public function withdraw(Entry $entry, Entry $by, Job $job): void
    {
        if ($entry->kind === PartReplaced::KIND && $by->kind === Core::WITHDRAWN) {
            Shelf::giveBack($entry->id, $by->author);
        }
    }
}
