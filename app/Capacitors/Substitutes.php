<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Logbook\Job;
use App\Shelf\ShelfCards;
use App\Shelf\ShelfItem;
use Ash\Capacitors\Choice;
use Ash\Capacitors\Life;
use Ash\Capacitors\Stock;
use Ash\Capacitors\Wanted;
use Ash\Facts\CapacitorKind;
use Illuminate\Support\Facades\DB;

/** Parts of the shelf that may stand for an original, best first. */
final readonly class Substitutes
{
    /** Parts that are looked at for one original, those that are there and of its own value first, and how many of them are shown. */
    private const LOOKED_AT = 48;
    private const SHOWN = 24;
    private const SLACK = 1e-9;

    /** @return list<SubstituteChoice> */
    public static function for(Wanted $wanted, Job $job, float $atC): array
    {
        $items = ShelfItem::query()->whereIn('id', self::candidates($wanted))->orderBy('sku')->get()->keyBy('sku');
        $cards = ShelfCards::of($items->values()->all(), $job->id);
        $stock = array_values(array_filter(array_map(static fn (ShelfItem $item): ?Stock => $item->stock($cards[$item->id]->free), $items->values()->all())));
        $choices = array_map(static function (Choice $it) use ($items, $cards, $atC): SubstituteChoice {
            $item = $items->get($it->stock->sku) ?? throw new \LogicException('every choice is one of the parts that were asked about');

            return new SubstituteChoice(
                item: $cards[$item->id],
                verdict: $it->verdict,
                words: $it->verdict->words(),
                score: $it->score,
                reasons: $it->reasons,
                life: self::life($it->stock, $atC),
            );
        }, Choice::ranked($stock, $wanted));

        return array_slice($choices, 0, self::SHOWN);
    }

    /**
     * The index alone answers which they are, however full the shelf is.
     *
     * @return array<mixed> identifiers
     */
    private static function candidates(Wanted $wanted): array
    {
        [$low, $high] = $wanted->values();
        $part = $wanted->part;
        $kinds = array_filter(CapacitorKind::cases(), static fn (CapacitorKind $kind): bool => $part->kind->mayBe($kind));

        return DB::table('shelf_items')->whereIn('kind', array_map(static fn (CapacitorKind $kind): string => $kind->value, $kinds))
            ->whereBetween('marked_f', [$low * (1 - self::SLACK), $high * (1 + self::SLACK)])->where('rated_v', '>=', $part->ratedV * (1 - self::SLACK))
            ->orderByRaw('quantity = 0')->orderByRaw('ABS(marked_f - ?)',
                [$part->markedF])->orderBy('rated_v')->orderBy('id')->limit(self::LOOKED_AT)->pluck('id')->all();
    }

    private static function life(Stock $stock, float $atC): ?string
    {
        return $stock->hours === null || $stock->temperatureC === null ? null : (new Life($stock->hours, $stock->temperatureC, $atC))->words($atC);
    }
}
