<?php

declare(strict_types=1);

namespace App\Rails;

use App\Bench\Csv;
use App\Logbook\Board;
use App\Logbook\Cards;
use App\Logbook\Entry;
use App\Logbook\Machine;
use App\Logbook\Row;
use Ash\Document\Node;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\DescribedRails;
use Ash\Rails\Limits;
use Ash\Rails\Load;
use Ash\Rails\Rail;
use Ash\Rails\TestPoint;
use Ash\Rails\Verdict;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What is known of rails beyond one run: of a machine, and over the years of a board. */
final readonly class RailsController
{
    private const SERIES = 500;
    private const COLUMNS = [
        'at', 'job', 'rail', 'test_point', 'load', 'volts', 'ripple_mvpp', 'amps', 'ohms_to_ground',
        'limit_low_v', 'limit_high_v', 'verdict', 'superseded', 'author', 'entry',
    ];

    #[OA\Get(
        path: '/machines/{machine}/rails',
        operationId: 'showMachineRails',
        tags: ['rails'],
        parameters: [new OA\PathParameter(name: 'machine', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'rails and the load budget', content: new OA\JsonContent(ref: MachineRails::class))],
    )]
    public function machine(Machine $machine): JsonResponse
    {
        $described = $machine->readProfile()->section(DescribedRails::class);
        $budget = $described?->budget;
        $loads = [];
        foreach ($budget->rails ?? [] as $i => $rail) {
            $loads[] = new LoadCard($rail['name'], $budget->reasons[$i] ?? '', $rail['verdict']);
        }

        return new JsonResponse(new MachineRails(
            $described === null ? [] : array_values(array_map(static fn (Rail $rail): RailCard => self::rail($rail, $described), $described->rails)),
            $loads,
            $budget === null ? [] : array_slice($budget->reasons, count($budget->rails)),
        ));
    }

    #[OA\Get(
        path: '/boards/{board}/rail-places',
        operationId: 'listRailPlaces',
        tags: ['rails'],
        parameters: [new OA\PathParameter(name: 'board', schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(
                response: 200,
                description: 'where volts were read on this board',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: PlacePoint::class)),
            ),
        ],
    )]
    public function places(Board $board): JsonResponse
    {
        $rows = DB::table('readings')->where('board_id', $board->id)->whereNotNull('volts')->where('superseded', false)
            ->groupBy('rail', 'test_point')->orderBy('rail')->orderBy('test_point')->get(['rail', 'test_point', DB::raw('COUNT(*) AS readings')]);

        return new JsonResponse($rows->map(static function (object $row): PlacePoint {
            $r = new Row($row);

            return new PlacePoint($r->string('rail'), $r->string('test_point'), $r->int('readings'));
        })->all());
    }

    #[OA\Get(
        path: '/boards/{board}/series',
        operationId: 'showSeries',
        tags: ['rails'],
        parameters: [
            new OA\PathParameter(name: 'board', schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'rail', required: true, schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'test_point', required: true, schema: new OA\Schema(type: 'string')),
        ],
        responses: [
            new OA\Response(
                response: 200,
                description: 'the latest readings of a test point, oldest first',
                content: new OA\JsonContent(ref: SeriesPage::class),
            ),
        ],
    )]
    public function series(Request $request, Board $board): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('rail', 'test_point');
        $rail = $query->at('rail')->text(40);
        $testPoint = $query->at('test_point')->text(120);
        $rows = DB::table('readings')->join('runs', 'runs.id', '=', 'readings.run_id')->join('jobs', 'jobs.id', '=', 'runs.job_id')
            ->where('readings.board_id', $board->id)->where('rail', $rail)->where('test_point', $testPoint)->whereNotNull('volts')->where('superseded', false)
            ->orderByDesc('at')->limit(self::SERIES)->get(['readings.*', 'jobs.number'])->reverse()->values();
        $last = $rows->last() === null ? null : new Row($rows->last());
        $points = array_values($rows->map(self::point(...))->all());

        return new JsonResponse(new SeriesPage($rail, $testPoint, $last?->float('limit_low'), $last?->float('limit_high'), $points));
    }

    public function csv(Board $board): StreamedResponse
    {
        return Csv::file("{$board->slot}-{$board->id}.readings.csv", self::COLUMNS, self::rows($board));
    }

    /** @return \Generator<int, list<string|float>> */
    private static function rows(Board $board): \Generator
    {
        $rows = DB::table('readings')->join('entries', 'entries.id', '=', 'readings.entry_id')->join('jobs', 'jobs.id', '=', 'entries.job_id')
            ->where('readings.board_id', $board->id)->orderBy('readings.at')->orderBy('entry_id')
            ->select('readings.*', 'entries.author', 'entries.person_id', 'jobs.number')->limit(1000);
        // A page begins where the one before ended: the last costs what the first does.
        $page = $rows->get();
        while ($page->isNotEmpty()) {
            yield from $page->map(self::row(...));
            $last = new Row($page->last());
            $page = (clone $rows)->where('readings.at', '>=', $last->string('at'))
                ->whereRaw('(readings.at, entry_id) > (?, ?)', [$last->string('at'), $last->string('entry_id')])->get();
        }
    }

    /** @return list<string|float> */
    private static function row(object $row): array
    {
        $r = new Row($row);

        return [
            Cards::time($r->string('at')), sprintf('J-%04d', $r->int('number')), $r->string('rail'), $r->string('test_point'), $r->string('load'),
            ...array_map($r->figure(...), ['volts', 'ripple_mvpp', 'amps', 'ohms_to_ground', 'limit_low', 'limit_high']),
            $r->string('verdict'), $r->int('superseded') === 1 ? 'yes' : 'no',
            Entry::writtenBy($r->string('author'), $r->text('person_id') !== null), $r->string('entry_id'),
        ];
    }

    private static function point(object $row): SeriesPoint
    {
        $r = new Row($row);
        $load = Load::tryFrom($r->string('load'))?->words() ?? '';
        $verdict = Verdict::tryFrom($r->string('verdict'));
        $volts = (float) $r->float('volts');

        return new SeriesPoint(
            Cards::time($r->string('at')),
            $volts,
            Notation::print($volts, Unit::Volt).", {$load}, {$verdict?->words()}",
            $verdict,
            sprintf('J-%04d', $r->int('number')),
        );
    }

    private static function rail(Rail $rail, DescribedRails $described): RailCard
    {
        $key = "\0{$rail->name}";
        $points = $described->testPoints[$key] ?? [];

        return new RailCard(
            name: $rail->name,
            nominal: Notation::print($rail->nominalV, Unit::Volt),
            tight: $rail->limits->words(),
            wide: Limits::wide($rail->nominalV)->words(),
            ripple: $rail->rippleMaxMvpp === null ? null : Notation::plain($rail->rippleMaxMvpp).' mVpp',
            needs_load: $rail->needsLoad,
            optional: $rail->optional,
            protects: $rail->protects,
            feeds: $described->feeds[$key] ?? [],
            test_points: array_map(static fn (TestPoint $point): string => $point->name.($point->point === null ? '' : " ({$point->point->value})"), $points),
        );
    }
}
