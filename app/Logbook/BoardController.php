<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Body;
use App\Http\Errors;
use Ash\Document\Node;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Load;
use Ash\Rails\Verdict;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

final readonly class BoardController
{
    private const PAGE = 50;
    private const SERIES = 500;

    #[OA\Get(path: '/boards/{board}', operationId: 'showBoard', tags: ['logbook'], parameters: [
        new OA\PathParameter(name: 'board', schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'before', schema: new OA\Schema(type: 'string')),
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
            new BoardCard($board->id, $board->slot, $board->name, $board->serial),
            $machine->name,
            $machine->id,
            Cards::jobCards(Cards::jobs()->where('jobs.board_id', $board->id)->orderByDesc('opened_at')->limit(30)->get()),
            Cards::itemCards(Cards::items()->where('open_items.board_id', $board->id)->where('kind', 'hazard')),
            Cards::entries($rows->take(self::PAGE)),
            $last === null ? null : Cursor::of($last, 'at'),
            $this->places($board),
            PhotoCards::ofBoard($board),
        ));
    }

    #[OA\Get(path: '/boards/{board}/series', operationId: 'showSeries', tags: ['logbook'], parameters: [
        new OA\PathParameter(name: 'board', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'rail', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'test_point', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'the latest readings of a test point, oldest first', content: new OA\JsonContent(ref: SeriesPage::class))])]
    public function series(Request $request, Board $board): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('rail', 'test_point');
        $rail = $query->at('rail')->text(40);
        $testPoint = $query->at('test_point')->text(120);
        $rows = DB::table('readings')->join('runs', 'runs.id', '=', 'readings.run_id')->join('jobs', 'jobs.id', '=', 'runs.job_id')
            ->where('readings.board_id', $board->id)->where('rail', $rail)->where('test_point', $testPoint)->whereNotNull('volts')->where('superseded', false)
            ->orderByDesc('at')->limit(self::SERIES)->get(['readings.*', 'jobs.number'])->reverse()->values();
        $last = $rows->last() === null ? null : new Row($rows->last());

        return new JsonResponse(new SeriesPage($rail, $testPoint, $last?->float('limit_low'), $last?->float('limit_high'), array_values($rows->map(static function (object $row): SeriesPoint {
            $r = new Row($row);
            $says = Notation::print((float) $r->float('volts'), Unit::Volt).', '.(Load::tryFrom($r->string('load'))?->words() ?? '').', '.(Verdict::tryFrom($r->string('verdict'))?->words() ?? '');

            return new SeriesPoint(Cards::time($r->string('at')), (float) $r->float('volts'), $says, $r->text('verdict'), sprintf('J-%04d', $r->int('number')));
        })->all())));
    }

    public function export(Board $board): Response
    {
        return new Response(BoardRecord::export($board), 200, ['Content-Type' => 'application/json', 'Content-Disposition' => "attachment; filename=\"{$board->slot}-{$board->id}.record.json\""]);
    }

    public function csv(Board $board): StreamedResponse
    {
        return new StreamedResponse(static fn () => ReadingsCsv::write($board, fopen('php://output', 'w') ?: throw new \RuntimeException('no output')), 200, [
            'Content-Type' => 'text/csv; charset=utf-8; header=present', 'Content-Disposition' => "attachment; filename=\"{$board->slot}-{$board->id}.readings.csv\"",
        ]);
    }

    #[OA\Post(path: '/boards/import', operationId: 'importRecord', tags: ['logbook'], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/AnyDocument')), responses: [new OA\Response(response: 201, description: 'the record is in', content: new OA\JsonContent(ref: Imported::class)), new OA\Response(response: 422, description: 'refused whole, with every fault', content: new OA\JsonContent(ref: Errors::class))])]
    public function import(Request $request): JsonResponse
    {
        Body::of($request);
        [$board, $entries] = BoardRecord::import($request->getContent());

        return new JsonResponse(new Imported($board->id, $board->name, $entries), 201);
    }

    public static function card(object $row): BoardCard
    {
        $r = new Row($row);

        return new BoardCard($r->string('id'), $r->string('slot'), $r->string('name'), $r->text('serial'));
    }

    /** @return list<PlacePoint> */
    private function places(Board $board): array
    {
        return array_values(DB::table('readings')->where('board_id', $board->id)->whereNotNull('volts')->where('superseded', false)
            ->groupBy('rail', 'test_point')->orderBy('rail')->orderBy('test_point')->get(['rail', 'test_point', DB::raw('COUNT(*) AS readings')])
            ->map(static fn (object $row): PlacePoint => new PlacePoint((new Row($row))->string('rail'), (new Row($row))->string('test_point'), (new Row($row))->int('readings')))->all());
    }
}
