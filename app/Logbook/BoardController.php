<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Body;
use App\Http\Errors;
use App\People\SignedIn;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

final readonly class BoardController
{
    private const PAGE = 50;

    #[OA\Get(path: '/boards/{board}', operationId: 'showBoard', tags: ['logbook'], parameters: [
        new OA\PathParameter(name: 'board', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'before', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'the board\'s record', content: new OA\JsonContent(ref: BoardPage::class))])]
    public function show(Request $request, Board $board): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('before');
        $entries = DB::table('entries')->where('board_id', $board->id)->orderByDesc('at')->orderByDesc('id')->limit(self::PAGE + 1);
        if ($query->has('before')) {
            [$at, $id] = Cursor::read($query->at('before'));
            $entries->where(static fn ($q) => $q->where('at', '<', $at)->orWhere(static fn ($q) => $q->where('at', $at)->where('id', '<', $id)));
        }
        $rows = $entries->get();
        $last = $rows->count() > self::PAGE ? $rows->get(self::PAGE - 1) : null;
        $machine = Machine::query()->findOrFail($board->machine_id, ['id', 'name']);

        return new JsonResponse(new BoardPage(
            board: new BoardCard($board->id, $board->slot, $board->name, $board->serial),
            machine: $machine->name,
            machine_id: $machine->id,
            jobs: Cards::jobCards(Cards::jobs()->where('jobs.board_id', $board->id)->orderByDesc('opened_at')->limit(30)->get()),
            hazards: Cards::itemCards(Cards::items()->where('open_items.board_id', $board->id)->where('kind', 'hazard')),
            entries: Cards::entries($rows->take(self::PAGE)),
            next_before: $last === null ? null : Cursor::of($last, 'at'),
            photos: PhotoCards::ofBoard($board),
        ));
    }

    public function export(Board $board): Response
    {
        return new Response(
            BoardRecord::export($board),
            200,
            ['Content-Type' => 'application/json', 'Content-Disposition' => "attachment; filename=\"{$board->slot}-{$board->id}.record.json\""],
        );
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
