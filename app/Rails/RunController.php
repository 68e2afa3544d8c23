<?php

declare(strict_types=1);

namespace App\Rails;

use App\Http\Body;
use App\Http\Conflict;
use App\Http\Errors;
use App\Instruments\Meter;
use App\Instruments\MeterState;
use App\Instruments\Quantity;
use App\Instruments\Scene;
use App\Instruments\ScpiMeter;
use App\Logbook\Append;
use App\Logbook\Board;
use App\Logbook\Cards;
use App\Logbook\Described;
use App\Logbook\Entry;
use App\Logbook\House;
use App\Logbook\Job;
use App\Logbook\Row;
use App\Logbook\StandingOfJob;
use App\People\SignedIn;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\Stage;
use Ash\Rails\DescribedRails;
use Ash\Rails\Load;
use Ash\Rails\Rail;
use Ash\Rails\ReadingTaken;
use Ash\Rails\Ripple;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

final readonly class RunController
{
    private const LISTED = 20;

    #[OA\Post(
        path: '/jobs/{job}/rail-runs',
        operationId: 'startRailRun',
        tags: ['rails'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/RunBody')),
        responses: [
            new OA\Response(response: 201, description: 'started', content: new OA\JsonContent(ref: RailRunPage::class)),
            new OA\Response(response: 200, description: 'the same run was there already', content: new OA\JsonContent(ref: RailRunPage::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function store(Request $request, Job $job): JsonResponse
    {
        $body = Body::as($request, RunBody::class);
        if ($job->state !== 'open') {
            throw InvalidDocument::at('', "the job is {$job->state}: reopen it first");
        }
        $id = $body->id;
        $board = $body->board === null ? $job->board_id
            : Board::query()->where('machine_id', $job->machine_id)->find($body->board)->id
                ?? throw InvalidDocument::at('/board', 'is not a board of this machine');
        $repeats = $body->repeats === null ? null
            : Run::query()->where('job_id', $job->id)->find($body->repeats)->id ?? throw InvalidDocument::at('/repeats', 'is not a run of this job');
        $run = Run::query()->firstOrCreate(['id' => $id], [
            'job_id' => $job->id, 'board_id' => $board, 'room' => 'rails', 'repeats_id' => $repeats, 'started_at' => now(),
            'author' => SignedIn::person($request)->name,
        ]);
        if ($run->job_id !== $job->id) {
            throw Conflict::at('/id', 'a run of another job has this id');
        }

        return new JsonResponse(RunAsShown::of($run, null), $run->wasRecentlyCreated ? 201 : 200);
    }

    #[OA\Get(
        path: '/jobs/{job}/rail-runs',
        operationId: 'listRailRuns',
        tags: ['rails'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(
                response: 200,
                description: 'the latest runs of a job, and whether its machine has rails',
                content: new OA\JsonContent(ref: JobRails::class),
            ),
        ],
    )]
    public function index(Job $job): JsonResponse
    {
        $described = $job->profile()->section(DescribedRails::class);
        $runs = DB::table('runs')
            ->leftJoin('readings', static fn ($join) => $join->on('readings.run_id', '=', 'runs.id')->where('superseded', false))
            ->where('job_id', $job->id)->groupBy('runs.id', 'started_at', 'author', 'imported', 'repeats_id')->orderByDesc('started_at')->limit(self::LISTED)
            ->get(['runs.id', 'started_at', 'author', 'imported', 'repeats_id', DB::raw('COUNT(entry_id) AS readings')]);

        return new JsonResponse(new JobRails(($described->rails ?? []) !== [], array_values($runs->map(static function (object $row): RunCard {
            $r = new Row($row);

            $author = Entry::writtenBy($r->string('author'), $r->int('imported') === 0);

            return new RunCard($r->string('id'), Cards::time($r->string('started_at')), $author, $r->int('readings'), $r->text('repeats_id'));
        })->all())));
    }

    #[OA\Get(path: '/rail-runs/{run}', operationId: 'showRailRun', tags: ['rails'], parameters: [
        new OA\PathParameter(name: 'run', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'load', schema: new OA\Schema(type: 'string', enum: Load::class)),
        new OA\QueryParameter(name: 'what', schema: new OA\Schema(type: 'string', enum: TakeWhat::class)),
    ], responses: [new OA\Response(response: 200, description: 'the run at a load', content: new OA\JsonContent(ref: RailRunPage::class))])]
    public function show(Request $request, Run $run): JsonResponse
    {
        $asked = Node::of((object) $request->query->all())->only('load', 'what');

        return new JsonResponse(RunAsShown::of(
            $run,
            $asked->optional('load')?->enum(Load::class),
            $asked->optional('what')?->enum(TakeWhat::class) ?? TakeWhat::Volts,
        ));
    }

    #[OA\Post(
        path: '/rail-runs/{run}/take',
        operationId: 'takeReading',
        tags: ['rails'],
        parameters: [new OA\PathParameter(name: 'run', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/TakeBody')),
        responses: [
            new OA\Response(response: 200, description: 'a reading in the record, or why there is none', content: new OA\JsonContent(ref: TakenCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function take(Request $request, Run $run): JsonResponse
    {
        $body = Body::as($request, TakeBody::class);
        $head = RunAsShown::head($run, $body->id);
        if ($head->text('entry') !== null) {
            return $head->string('job_id') === $run->job_id && $head->string('kind') === ReadingTaken::KIND
                ? self::taken(MeterState::Reading, 'was taken before', $run, $body, $head)
                : throw Conflict::at('/id', 'another entry has this id');
        }
        $meter = Meter::active($body->meter);
        $profile = Described::joined($head, $head->string('machine_id'), $run->board_id);
        $described = $profile->section(DescribedRails::class);
        $rail = $described?->rail($body->rail) ?? throw InvalidDocument::at('/rail', "the machine's profile has no rail of this name");
        $described->testPoint($rail->name, $body->testPoint) ?? throw InvalidDocument::at('/test_point', "is not a test point of {$rail->name}");
        [$figures, $state, $words] = $this->measure($meter, $rail, $body);
        if ($figures !== []) {
            $draft = House::here()->hall->draft(Node::of((object) [
                'id' => $body->id, 'at' => $body->at->format(Cards::EXACT), 'kind' => ReadingTaken::KIND, 'stage' => Stage::Supply->value,
                ...($words === '' ? [] : ['text' => $words]), ...($body->corrects === null ? [] : ['corrects' => $body->corrects]),
                'data' => (object) [
                    'run' => $run->id, 'rail' => $rail->name, 'test_point' => $body->testPoint, 'load' => $body->load->value, 'meter' => $meter->id,
                    ...$figures,
                    ...($body->sure === true ? ['sure' => true] : []),
                    ...($body->changed === true ? ['changed' => true] : []),
                    ...($body->leadOhm !== null && $body->what === TakeWhat::Ohms ? ['lead_ohm' => $body->leadOhm] : []),
                ],
            ]));

            return StandingOfJob::here()->during($run->job_id, static function () use (
                $run,
                $draft,
                $request,
                $profile,
                $meter,
                $state,
                $words,
                $body,
                $head,
            ): JsonResponse {
                Append::to($run->job_id, $draft, SignedIn::person($request), $profile, $run, $meter);

                return self::taken($state, $words, $run, $body, $head);
            });
        }

        return self::taken($state, $words, $run, $body, $head);
    }

    /** @return array{array<string, float|string>, MeterState, string} figures for the record, the state, words about it */
    private function measure(Meter $meter, Rail $rail, TakeBody $body): array
    {
        $ohms = $body->what === TakeWhat::Ohms;
        $wanted = $ohms ? [Quantity::Ohms] : [Quantity::Volts, ...($rail->rippleMaxMvpp === null ? [] : [Quantity::VoltsAc])];
        $before = $meter->standin ? [Scene::probe($rail->name, $body->testPoint, $body->load->value)] : [];
        $answers = (new ScpiMeter($meter))->measure($wanted, $before);
        $main = $answers[0];
        if ($main->value === null) {
            return [[], $main->state, $main->words];
        }
        if ($ohms) {
            return [['ohms_to_ground' => abs($main->value)], $main->state, ''];
        }
        $ac = $answers[1] ?? null;

        return match (true) {
            $ac === null => [['volts' => $main->value], $main->state, ''],
            $ac->value === null => [['volts' => $main->value], $main->state, "no ripple: {$ac->words}"],
            default => [['volts' => $main->value, 'ripple_mvpp' => Ripple::fromRms($ac->value), 'ripple_from' => 'rms'], $main->state, ''],
        };
    }

    private static function taken(MeterState $state, string $words, Run $run, TakeBody $body, Row $head): JsonResponse
    {
        return new JsonResponse(new TakenCard($state, $words, RunAsShown::of($run, $body->load, $body->what, $head)));
    }
}
