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
use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Machine;
use App\People\SignedIn;
use Ash\Document\Node;
use Ash\Logbook\EntryDraft;
use Ash\Document\Ulid;
use Ash\Rails\Load;
use Ash\Rails\Rail;
use Ash\Rails\Ripple;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final readonly class RunController
{
    #[OA\Post(path: '/jobs/{job}/rail-runs', operationId: 'startRailRun', tags: ['rails'], parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/RunBody')), responses: [new OA\Response(response: 201, description: 'started', content: new OA\JsonContent(ref: RailRunPage::class)), new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class))])]
    public function store(Request $request, Job $job): JsonResponse
    {
        $body = Body::of($request)->only('id', 'repeats', 'board');
        if (Machine::query()->findOrFail($job->machine_id)->readProfile()->rails === []) {
            $body->refuse("the machine's profile lists no rails");
        }
        if ($job->state !== 'open') {
            $body->refuse("the job is {$job->state}: reopen it first");
        }
        $id = Ulid::read($body->at('id'));
        $board = $body->has('board')
            ? Board::query()->where('machine_id', $job->machine_id)->find($body->at('board')->string())->id ?? $body->at('board')->refuse('is not a board of this machine')
            : $job->board_id;
        $repeats = $body->has('repeats') ? Run::query()->where('job_id', $job->id)->find($body->at('repeats')->string())->id ?? $body->at('repeats')->refuse('is not a run of this job') : null;
        $run = Run::query()->firstOrCreate(['id' => $id], [
            'job_id' => $job->id, 'board_id' => $board, 'room' => 'rails', 'repeats_id' => $repeats, 'started_at' => now(), 'author' => SignedIn::person($request)->name,
        ]);
        if ($run->job_id !== $job->id) {
            throw Conflict::at('/id', 'a run of another job has this id');
        }

        return new JsonResponse(RunPages::of($run, Load::Working), $run->wasRecentlyCreated ? 201 : 200);
    }

    #[OA\Get(path: '/rail-runs/{run}', operationId: 'showRailRun', tags: ['rails'], parameters: [
        new OA\PathParameter(name: 'run', schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'load', schema: new OA\Schema(type: 'string', enum: Load::class)),
    ], responses: [new OA\Response(response: 200, description: 'the run at a load', content: new OA\JsonContent(ref: RailRunPage::class))])]
    public function show(Request $request, Run $run): JsonResponse
    {
        $load = Node::of((object) $request->query->all())->only('load')->optional('load')?->enum(Load::class) ?? Load::Working;

        return new JsonResponse(RunPages::of($run, $load));
    }

    #[OA\Post(path: '/rail-runs/{run}/take', operationId: 'takeReading', tags: ['rails'], parameters: [new OA\PathParameter(name: 'run', schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/TakeBody')), responses: [new OA\Response(response: 200, description: 'a reading in the record, or why there is none', content: new OA\JsonContent(ref: TakenCard::class)), new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class))])]
    public function take(Request $request, Run $run): JsonResponse
    {
        $body = Body::of($request)->only('id', 'at', 'meter', 'rail', 'test_point', 'load', 'what', 'corrects');
        $load = $body->at('load')->enum(Load::class);
        $id = Ulid::read($body->at('id'));
        $known = Entry::query()->find($id);
        if ($known !== null) {
            return $known->job_id === $run->job_id && $known->kind === \Ash\Logbook\EntryKind::Reading
                ? self::taken(MeterState::Reading->value, 'was taken before', $run, $load)
                : throw Conflict::at('/id', 'another entry has this id');
        }
        $what = in_array($body->at('what')->string(), ['volts', 'ohms'], true) ? $body->at('what')->string() : $body->at('what')->refuse('must be volts or ohms');
        $meter = Meter::query()->where('active', true)->find($body->at('meter')->string()) ?? $body->at('meter')->refuse('there is no such meter, or it is put away');
        $profile = Machine::query()->findOrFail(Job::query()->findOrFail($run->job_id)->machine_id)->readProfile();
        $rail = $profile->rail($body->at('rail')->text(40)) ?? $body->at('rail')->refuse("the machine's profile has no rail of this name");
        $profile->testPoint($rail->name, $body->at('test_point')->text(120)) ?? $body->at('test_point')->refuse("is not a test point of {$rail->name}");
        $body->at('at')->instant();
        [$figures, $state, $words] = $this->measure($meter, $rail, $body->at('test_point')->string(), $load, $what);
        if ($figures !== []) {
            $draft = EntryDraft::read(Node::of((object) [
                'id' => $id, 'at' => $body->at('at')->string(), 'kind' => 'reading', ...($words === '' ? [] : ['text' => $words]), 'stage' => 'supply',
                ...($body->has('corrects') ? ['corrects' => $body->at('corrects')->string()] : []),
                'data' => (object) ['run' => $run->id, 'rail' => $rail->name, 'test_point' => $body->at('test_point')->string(), 'load' => $load->value, 'meter' => $meter->id, ...$figures],
            ]));
            Append::to($run->job_id, $draft, SignedIn::person($request));
        }

        return self::taken($state, $words, $run, $load);
    }

    /** @return array{array<string, float|string>, string, string} figures for the record, the state, words about it */
    private function measure(Meter $meter, Rail $rail, string $testPoint, Load $load, string $what): array
    {
        $wanted = $what === 'ohms' ? [Quantity::Ohms] : [Quantity::Volts, ...($rail->rippleMaxMvpp === null ? [] : [Quantity::VoltsAc])];
        $before = $meter->standin ? [Scene::probe($rail->name, $testPoint, $load->value)] : [];
        $answers = (new ScpiMeter($meter))->measure($wanted, $before);
        $main = $answers[0];
        if ($main->value === null) {
            return [[], $main->state->value, $main->words];
        }
        if ($what === 'ohms') {
            return [['ohms_to_ground' => abs($main->value)], $main->state->value, ''];
        }
        $ac = $answers[1] ?? null;

        return match (true) {
            $ac === null => [['volts' => $main->value], $main->state->value, ''],
            $ac->value === null => [['volts' => $main->value], $main->state->value, "no ripple: {$ac->words}"],
            default => [['volts' => $main->value, 'ripple_mvpp' => Ripple::fromRms($ac->value), 'ripple_from' => 'rms'], $main->state->value, ''],
        };
    }

    private static function taken(string $state, string $words, Run $run, Load $load): JsonResponse
    {
        return new JsonResponse(new TakenCard($state, $words, RunPages::of($run, $load)));
    }
}
