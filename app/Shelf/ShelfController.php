<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Bench\ChoiceCard;
use App\Bench\Csv;
use App\Http\Body;
use App\Http\Errors;
use App\Logbook\Job;
use App\Logbook\Row;
use App\People\SignedIn;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Facts\CapacitorKind;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

final readonly class ShelfController
{
    private const DONORS = 200;
    private const PAGE = 40;

    #[OA\Get(path: '/shelf', operationId: 'showShelf', tags: ['shelf'], parameters: [
        new OA\QueryParameter(name: 'search', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'kind', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'board', description: 'originals kept from this board', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'after', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'parts by number', content: new OA\JsonContent(ref: ShelfPage::class))])]
    public function index(Request $request): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('search', 'kind', 'board', 'after');
        $word = static fn (string $name): ?string => $query->has($name) && !$query->at($name)->isNull() && trim($query->at($name)->string()) !== ''
            ? trim($query->at($name)->string())
            : null;
        $items = ShelfItem::query()->when(
            $word('kind') !== null,
            static fn ($q) => $q->where('kind', $query->at('kind')->enum(CapacitorKind::class)->value),
        )->when($word('board') !== null, static fn ($q) => $q->where('donor_board_id', $word('board')));
        foreach (preg_split('/\s+/', $word('search') ?? '', -1, PREG_SPLIT_NO_EMPTY) ?: [] as $part) {
            $like = '%'.addcslashes($part, '%_\\').'%';
            $items->where(static fn ($q) => $q->where('name', 'like', $like)->orWhere('sku', 'like', $like)->orWhere('place', 'like', $like));
        }
        $count = (clone $items)->count();
        $rows = $items->when($word('after') !== null, static fn ($q) => $q->where('sku', '>', $word('after')))->orderBy('sku')->limit(self::PAGE + 1)->get();
        $shown = $rows->take(self::PAGE);

        return new JsonResponse(new ShelfPage(
            array_values(ShelfCards::of($shown->all())), $count, $rows->count() > self::PAGE ? $shown->last()?->sku : null,
            self::kinds(), self::boards(),
        ));
    }

    #[OA\Post(
        path: '/shelf',
        operationId: 'addToShelf',
        tags: ['shelf'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/ShelfBody')),
        responses: [
            new OA\Response(response: 201, description: 'on the shelf', content: new OA\JsonContent(ref: ShelfItemPage::class)),
            new OA\Response(response: 200, description: 'the same part was there already', content: new OA\JsonContent(ref: ShelfItemPage::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function store(Request $request): JsonResponse
    {
        [$item, $new] = Shelf::add(Body::of($request), SignedIn::person($request));

        return new JsonResponse(self::page($item), $new ? 201 : 200);
    }

    #[OA\Get(
        path: '/shelf/{item}',
        operationId: 'showShelfItem',
        tags: ['shelf'],
        parameters: [new OA\PathParameter(name: 'item', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'the part', content: new OA\JsonContent(ref: ShelfItemPage::class))],
    )]
    public function show(ShelfItem $item): JsonResponse
    {
        return new JsonResponse(self::page($item));
    }

    #[OA\Put(
        path: '/shelf/{item}',
        operationId: 'changeShelfItem',
        tags: ['shelf'],
        parameters: [new OA\PathParameter(name: 'item', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/ShelfBody')),
        responses: [
            new OA\Response(response: 200, description: 'changed; the quantity changes by moves only', content: new OA\JsonContent(ref: ShelfItemPage::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function update(Request $request, ShelfItem $item): JsonResponse
    {
        $body = Body::of($request);
        $body->optional('quantity')?->refuse('changes by a receipt or a count only');
        $body->optional('id')?->refuse('stays what it is');
        $body->members() !== [] || $body->refuse('must have a field that changes');
        // What is not said stays as it is.
        $given = [...$item->written(), ...get_object_vars($body->object())];
        Shelf::over($item, Node::of((object) $given));

        return new JsonResponse(self::page($item->refresh()));
    }

    #[OA\Post(
        path: '/shelf/{item}/moves',
        operationId: 'moveShelfItem',
        tags: ['shelf'],
        parameters: [new OA\PathParameter(name: 'item', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/MoveBody')),
        responses: [
            new OA\Response(response: 200, description: 'received or counted', content: new OA\JsonContent(ref: ShelfItemPage::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function move(Request $request, ShelfItem $item): JsonResponse
    {
        return new JsonResponse(self::page(Shelf::move($item, Body::of($request), SignedIn::person($request))));
    }

    #[OA\Post(
        path: '/shelf/{item}/reservations',
        operationId: 'reserve',
        tags: ['shelf'],
        parameters: [new OA\PathParameter(name: 'item', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/ReservationBody')),
        responses: [
            new OA\Response(response: 200, description: 'set aside', content: new OA\JsonContent(ref: ShelfItemPage::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function reserve(Request $request, ShelfItem $item): JsonResponse
    {
        Shelf::reserve($item, Body::of($request), SignedIn::person($request));

        return new JsonResponse(self::page($item));
    }

    #[OA\Delete(
        path: '/shelf-reservations/{reservation}',
        operationId: 'release',
        tags: ['shelf'],
        parameters: [new OA\PathParameter(name: 'reservation', schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(response: 204, description: 'free again'),
            new OA\Response(response: 409, description: 'gone already', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function release(string $reservation): JsonResponse
    {
        Shelf::release($reservation);

        return new JsonResponse(null, 204);
    }

    #[OA\Post(
        path: '/shelf/import',
        operationId: 'importShelf',
        tags: ['shelf'],
        requestBody: new OA\RequestBody(content: new OA\MediaType(
            mediaType: 'multipart/form-data',
            schema: new OA\Schema(ref: '#/components/schemas/FileBody'),
        )),
        responses: [
            new OA\Response(response: 201, description: 'how many were taken', content: new OA\JsonContent(ref: '#/components/schemas/AnyDocument')),
            new OA\Response(response: 422, description: 'refused whole, with the row and the column', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function import(Request $request): JsonResponse
    {
        $file = $request->file('file');
        $file instanceof UploadedFile && $file->isValid() || throw InvalidDocument::at('/file', 'is missing, or did not arrive whole');

        return new JsonResponse(['taken' => ShelfCsv::import($file->getRealPath(), SignedIn::person($request))], 201);
    }

    public function csv(): StreamedResponse
    {
        return Csv::file('shelf.csv', ShelfCsv::COLUMNS, ShelfCsv::rows());
    }

    private static function page(ShelfItem $item): ShelfItemPage
    {
        $reservations = DB::table('shelf_reservations')
            ->leftJoin('jobs', 'jobs.id', '=', 'shelf_reservations.job_id')
            ->where('item_id', $item->id)
            ->orderBy('at')
            ->get(['shelf_reservations.id', 'job_id', 'jobs.number', 'shelf_reservations.quantity', 'shelf_reservations.author']);
        $moves = DB::table('shelf_moves')->where('item_id', $item->id)->orderByDesc('at')->orderByDesc('id')->limit(50)->get();

        return new ShelfItemPage(
            item: ShelfCards::of([$item])[$item->id],
            reservations: array_values($reservations->map(static function (object $row): ReservationCard {
                $r = new Row($row);

                return new ReservationCard(
                    $r->string('id'),
                    $r->string('job_id'),
                    sprintf('J-%04d', $r->int('number')),
                    $r->int('quantity'),
                    $r->string('author'),
                );
            })->all()),
            moves: array_values($moves->map(static function (object $row): MoveCard {
                $r = new Row($row);

                return new MoveCard(
                    \App\Logbook\Cards::time($r->string('at')),
                    $r->int('change'),
                    $r->string('why'),
                    $r->text('note'),
                    $r->string('author'),
                    $r->text('job_id'),
                );
            })->all()),
            jobs: array_values(Job::query()
                ->where('state', 'open')
                ->orderByDesc('last_entry_at')
                ->limit(100)
                ->get(['id', 'number', 'title'])
                ->map(static fn (Job $it): ChoiceCard => new ChoiceCard($it->id, "{$it->label()}, {$it->title}"))->all()),
            fields: array_map(static fn (mixed $it): string => (string) $it, array_diff_key($item->written(), ['tested' => 1])),
            kinds: self::kinds(), boards: self::boards(),
        );
    }

    /** @return list<ChoiceCard> */
    private static function kinds(): array
    {
        return ChoiceCard::all(CapacitorKind::class);
    }

    /** @return list<ChoiceCard> boards that a part may have come from: on the shelf, in work, or known as a donor already */
    private static function boards(): array
    {
        $ids = array_unique([
            ...DB::table('shelf_items')->whereNotNull('donor_board_id')->distinct()->limit(self::DONORS)->pluck('donor_board_id')->all(),
            ...DB::table('jobs')->where('state', 'open')->limit(self::DONORS)->pluck('board_id')->all(),
            ...DB::table('machines')->join(
                'boards',
                'boards.machine_id',
                '=',
                'machines.id',
            )->where('machines.bare', true)->limit(self::DONORS)->pluck('boards.id')->all(),
        ], SORT_REGULAR);
        $rows = DB::table('boards')->whereIn('boards.id', $ids)
            ->leftJoin('machines', 'machines.id', '=', 'boards.machine_id')
            ->orderBy('machines.name')
            ->orderBy('boards.slot')
            ->selectRaw("boards.id, CONCAT(machines.name, ', ', boards.name) AS name")->get();

        return array_values($rows->map(
            static fn (object $row): ChoiceCard => new ChoiceCard((new Row($row))->string('id'), (new Row($row))->string('name')),
        )->all());
    }
}
