<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Bench\Csv;
use App\Logbook\Cards;
use App\Logbook\House;
use App\Logbook\Row;
use Ash\Document\Node;
use Ash\Facts\CapacitorKind;
use Ash\Shelf\Shopping;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What all open jobs want, and labels for what is there. */
final readonly class ShoppingController
{
    private const LABELS = 60;

    #[OA\Get(
        path: '/shopping',
        operationId: 'showShopping',
        tags: ['shelf'],
        responses: [new OA\Response(response: 200, description: 'what all open jobs want', content: new OA\JsonContent(ref: ShoppingPage::class))],
    )]
    public function shopping(): JsonResponse
    {
        return new JsonResponse(new ShoppingPage(
            array_map(
                static fn (array $it): ShoppingRow => new ShoppingRow(
                    kind: $it['kind'],
                    value: $it['value'],
                    volts: $it['volts'],
                    wanted: $it['wanted'],
                    spares: $it['spares'],
                    shelf: $it['shelf'],
                    buy: $it['buy'],
                    jobs: $it['jobs'],
                ),
                self::wanted(),
            ),
            array_values(ShelfItem::query()
                ->where('runs_low', true)
                ->orderBy('sku')
                ->limit(200)
                ->get()
                ->map(static fn (ShelfItem $it): string => "{$it->name}: {$it->quantity} left, {$it->place}")->all()),
        ));
    }

    public function csv(): StreamedResponse
    {
        $rows = array_map(static fn (array $it): array => [
            $it['kind'], $it['value'], $it['volts'], $it['wanted'], $it['spares'], $it['shelf'], $it['buy'], implode('; ', $it['jobs']),
        ], self::wanted());

        return Csv::file('shopping.csv', ['kind', 'value', 'volts', 'wanted', 'spares', 'on_shelf', 'buy', 'jobs'], $rows);
    }

    #[OA\Get(path: '/labels', operationId: 'showLabels', tags: ['shelf'], parameters: [
        new OA\QueryParameter(name: 'items', description: 'comma-separated', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'boards', description: 'comma-separated', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'jobs', description: 'comma-separated', schema: new OA\Schema(type: 'string')),
    ], responses: [
        new OA\Response(response: 200, description: 'labels to print', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: LabelCard::class))),
    ])]
    public function labels(Request $request): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('items', 'boards', 'jobs');
        $ids = static fn (string $name): array => $query->has($name) && !$query->at($name)->isNull()
            ? array_slice(array_filter(explode(',', $query->at($name)->string())), 0, self::LABELS)
            : [];
        $root = $request->root();
        $boards = DB::table('boards')
            ->leftJoin('machines', 'machines.id', '=', 'boards.machine_id')
            ->whereIn('boards.id', $ids('boards'))
            ->get(['boards.id', 'boards.name', 'boards.serial', 'machines.name as machine'])
            ->map(
                static fn (object $row): LabelCard => new LabelCard(
                    (new Row($row))->string('machine'),
                    array_values(array_filter([(new Row($row))->string('name'), (new Row($row))->text('serial')])),
                    "{$root}/boards/".(new Row($row))->string('id'),
                ),
            );
        $items = array_map(
            static fn (ShelfCard $it): LabelCard => new LabelCard(
                $it->sku,
                array_values(array_filter([$it->name, $it->donor_board, $it->place])),
                "{$root}/shelf/{$it->id}",
            ),
            array_values(ShelfCards::of(ShelfItem::query()->whereIn('id', $ids('items'))->orderBy('sku')->get()->all())),
        );

        $jobs = Cards::jobs()->whereIn('jobs.id', $ids('jobs'))->get()->map(static function (object $row) use ($root): LabelCard {
            $job = Cards::job($row);

            return new LabelCard($job->label, [$job->machine, $job->board, $job->title], "{$root}/jobs/{$job->id}");
        });

        return new JsonResponse([...$jobs->all(), ...$boards->all(), ...$items]);
    }

    /**
     * @return list<array{
     *     kind: string, value: string, volts: string, marked_f: float, rated_v: float,
     *     wanted: int, spares: int, shelf: int, buy: int, jobs: list<string>,
     * }>
     */
    private static function wanted(): array
    {
        $wanted = [];
        foreach (House::here()->rooms as $room) {
            foreach ($room->wants() as $job => $parts) {
                foreach ($parts as $it) {
                    $wanted[] = ['job' => $job, 'key' => $it->key, 'kind' => $it->kind, 'marked_f' => $it->markedF, 'rated_v' => $it->ratedV];
                }
            }
        }
        $values = array_values(array_unique(array_map(static fn (array $it): float => $it['marked_f'], $wanted)));
        $shelf = [];
        if ($values !== []) {
            $held = DB::table('shelf_reservations')->groupBy('item_id')->selectRaw('item_id, SUM(quantity) AS held');
            $shelf = array_values(DB::table('shelf_items')->leftJoinSub($held, 'reserved', 'reserved.item_id', '=', 'shelf_items.id')
                ->whereNotNull('kind')->where('shelf_items.quantity', '>', 0)->where(static function ($query) use ($values): void {
                    foreach ($values as $value) {
                        $query->orWhereBetween('marked_f', [$value * (1 - 1e-9), $value * (1 + 1e-9)]);
                    }
                })->groupBy('kind', 'marked_f', 'rated_v')
                ->selectRaw('kind, marked_f, rated_v, SUM(GREATEST(0, CAST(shelf_items.quantity AS SIGNED) - COALESCE(held, 0))) AS free')
                ->get()->map(static function (object $row): array {
                    $r = new Row($row);

                    return [
                        'kind' => CapacitorKind::from($r->string('kind')),
                        'marked_f' => (float) $r->float('marked_f'),
                        'rated_v' => (float) $r->float('rated_v'),
                        'free' => $r->int('free'),
                    ];
                })->all());
        }

        return Shopping::list($wanted, $shelf);
    }
}
