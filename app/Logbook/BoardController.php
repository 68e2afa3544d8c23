<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Body;
use App\Http\Errors;
use App\People\SignedIn;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

final readonly class BoardController
{
    private const PAGE = 50;

    #[OA\Get(path: '/boards', operationId: 'listBoards', tags: ['logbook'], parameters: [
        new OA\QueryParameter(name: 'search', description: 'in name, serial, owner, machine or kind', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'after', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'on_shelf', description: '1: only those in no machine', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'boards by name', content: new OA\JsonContent(ref: BoardList::class))])]
    public function index(Request $request): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('search', 'after', 'on_shelf');
        [$rows, $next] = Named::asked($query)->page(
            self::listed()->when($query->filled('on_shelf') !== null, static fn ($q) => $q->where('machines.bare', true)),
            'boards.name',
            'boards.id',
            Named::boards(...),
        );

        return new JsonResponse(new BoardList(self::rows($rows), $next));
    }

    public static function listed(): Builder
    {
        return DB::table('boards')->leftJoin('machines', 'machines.id', '=', 'boards.machine_id')
            ->leftJoin('kinds', 'kinds.id', '=', DB::raw('COALESCE(boards.kind_id, machines.kind_id)'))->whereNull('boards.merged_into')
            ->select('boards.id', 'boards.name', 'boards.serial', 'boards.slot', 'machines.name as machine', 'machines.id as machine_id', 'machines.bare',
                'machines.owner', 'kinds.name as kind', 'kinds.id as kind_id');
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<BoardRow>
     */
    public static function rows(array $rows): array
    {
        return array_map(static function (Row $it): BoardRow {
            $bare = $it->int('bare') === 1;

            return new BoardRow(
                id: $it->string('id'), name: $it->string('name'), serial: $it->text('serial'), machine: $bare ? null : $it->string('machine'),
                machine_id: $bare ? null : $it->string('machine_id'),
                place: $it->string('slot'), owner: $it->text('owner'), kind: $it->string('kind'), kind_id: $it->string('kind_id'),
            );
        }, $rows);
    }

    #[OA\Get(path: '/boards/{board}', operationId: 'showBoard', tags: ['logbook'], parameters: [
        new OA\PathParameter(name: 'board', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'before', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'the board\'s record', content: new OA\JsonContent(ref: BoardPage::class))])]
    public function show(Request $request, Board $board): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('before');
        // What was written down of the same board under another name is shown with it.
        $all = [$board->id, ...Board::query()->where('merged_into', $board->id)->pluck('id')->all()];
        $entries = DB::table('entries')->when(
            count($all) === 1,
            static fn ($q) => $q->where('board_id', $board->id),
            static fn ($q) => $q->whereIn('board_id', $all),
        )->orderByDesc('at')->orderByDesc('id')->limit(self::PAGE + 1);
        if ($query->has('before')) {
            [$at, $id] = Cursor::read($query->at('before'));
            $entries->where(static fn ($q) => $q->where('at', '<', $at)->orWhere(static fn ($q) => $q->where('at', $at)->where('id', '<', $id)));
        }
        $rows = $entries->get();
        $last = $rows->count() > self::PAGE ? $rows->get(self::PAGE - 1) : null;
        $machine = Machine::query()->with('described:id,name')->findOrFail($board->machine_id, ['id', 'name', 'bare', 'kind_id']);
        $kind = $board->kind_id === null ? $machine->described : Kind::query()->findOrFail($board->kind_id, ['id', 'name']);
        $photos = PhotoCards::ofBoard($board);

        return new JsonResponse(new BoardPage(
            board: new BoardCard($board->id, $board->slot, $board->name, $board->serial),
            machine: $machine->name,
            machine_id: $machine->id,
            jobs: Cards::jobCards(Cards::jobs()->whereIn('jobs.board_id', $all)->orderByDesc('opened_at')->limit(30)->get()),
            hazards: Cards::itemCards(Cards::items()->where('open_items.board_id', $board->id)->where('kind', 'hazard')),
            entries: Cards::entries($rows->take(self::PAGE)),
            next_before: $last === null ? null : Cursor::of($last, 'at'),
            photos: $photos->photos,
            photos_before: $photos->before,
            moves: BoardMoves::of($board, null),
            on_shelf: $machine->bare,
            kind_id: $kind->id,
            kind: $kind->name,
        ));
    }

    #[OA\Get(path: '/boards/{board}/photos', operationId: 'listBoardPhotos', tags: ['logbook'], parameters: [
        new OA\PathParameter(name: 'board', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'before', description: 'a cursor', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'part of the board\'s pictures', content: new OA\JsonContent(ref: PhotoList::class))])]
    public function photos(Request $request, Board $board): JsonResponse
    {
        return new JsonResponse(PhotoCards::ofBoard($board, Node::of((object) $request->query->all())->only('before')->filled('before')));
    }

    public function export(Board $board): BinaryFileResponse
    {
        return (new BinaryFileResponse(
            BoardRecord::write($board),
            200,
            ['Content-Type' => 'application/json', 'Content-Disposition' => "attachment; filename=\"{$board->slot}-{$board->id}.record.json\""],
        ))->deleteFileAfterSend();
    }

    public function archive(Board $board): BinaryFileResponse
    {
        return (new BinaryFileResponse(BoardArchive::write($board), 200, [
            'Content-Type' => 'application/zip', 'Content-Disposition' => "attachment; filename=\"{$board->slot}-{$board->id}.zip\"",
        ]))->deleteFileAfterSend();
    }

    #[OA\Post(
        path: '/boards/import-archive',
        operationId: 'importArchive',
        tags: ['logbook'],
        requestBody: new OA\RequestBody(content: new OA\MediaType(
            mediaType: 'multipart/form-data',
            schema: new OA\Schema(ref: '#/components/schemas/ArchiveBody'),
        )),
        responses: [
            new OA\Response(response: 201, description: 'the record is in, with its files', content: new OA\JsonContent(ref: Imported::class)),
            new OA\Response(response: 422, description: 'refused whole, with every fault', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function importArchive(Request $request): JsonResponse
    {
        Body::form($request, ArchiveBody::class);
        $file = $request->file('file');
        if (!$file instanceof UploadedFile || !$file->isValid() || $file->getSize() > BoardArchive::MOST) {
            throw InvalidDocument::at('/file', $file instanceof UploadedFile
                ? 'did not arrive whole, or is larger than '.(BoardArchive::MOST / 1_000_000).' MB'
                : 'is missing: choose the archive of a board');
        }
        PHP_SAPI === 'cli' || set_time_limit(55);
        [$board, $entries] = BoardArchive::import($file->getPathname(), SignedIn::person($request));

        return new JsonResponse(new Imported($board->id, $board->name, $entries), 201);
    }

    #[OA\Post(
        path: '/boards/import',
        operationId: 'importRecord',
        tags: ['logbook'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/AnyDocument')),
        responses: [
            new OA\Response(response: 201, description: 'the record is in', content: new OA\JsonContent(ref: Imported::class)),
            new OA\Response(response: 422, description: 'refused whole, with every fault', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function import(Request $request): JsonResponse
    {
        Body::of($request);
        [$board, $entries] = ImportRecord::from($request->getContent(), SignedIn::person($request));

        return new JsonResponse(new Imported($board->id, $board->name, $entries), 201);
    }

    public static function card(object $row): BoardCard
    {
        $r = new Row($row);

        return new BoardCard($r->string('id'), $r->string('slot'), $r->string('name'), $r->text('serial'));
    }
}
