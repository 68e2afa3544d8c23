<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Http\Body;
use App\Http\Conflict;
use App\Http\Errors;
use App\Instruments\Meter;
use App\Instruments\MeterState;
use App\Logbook\Append;
use App\Logbook\Cards;
use App\Logbook\Entry;
use App\Logbook\House;
use App\Logbook\Job;
use App\People\SignedIn;
use Ash\Capacitors\CapacitorRead;
use Ash\Capacitors\Life;
use Ash\Capacitors\Marking;
use Ash\Capacitors\PreferredValues;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\Stage;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final readonly class CapacitorController
{
    #[OA\Get(
        path: '/jobs/{job}/capacitors',
        operationId: 'showCapacitors',
        tags: ['capacitors'],
        parameters: [
            new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'board', description: 'another of the machine', schema: new OA\Schema(type: 'string')),
        ],
        responses: [new OA\Response(response: 200, description: 'the board\'s list, readings, policy', content: new OA\JsonContent(ref: CapacitorPage::class))],
    )]
    public function show(Request $request, Job $job): JsonResponse
    {
        return new JsonResponse(CapacitorsOfJob::of($job->atHand(Node::of((object) $request->query->all())->only('board')))->page());
    }

    #[OA\Get(path: '/jobs/{job}/substitutes', operationId: 'showSubstitutes', tags: ['capacitors'], parameters: [
        new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'cap', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'at_c', description: 'temperature at the board', schema: new OA\Schema(type: 'string')),
    ], responses: [
        new OA\Response(response: 200, description: 'parts of the shelf, best first', content: new OA\JsonContent(ref: SubstitutePage::class)),
        new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
    ])]
    public function substitutes(Request $request, Job $job): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('cap', 'at_c');
        $at = $query->optional('at_c')?->string();
        $at === null || is_numeric($at) && (float) $at > -60 && (float) $at < 200 || $query->at('at_c')->refuse('must be a temperature in degrees Celsius');

        return new JsonResponse(CapacitorsOfJob::of($job)->substitutes($query->at('cap')->string(), $at === null ? Life::BOARD_C : (float) $at));
    }

    #[OA\Post(
        path: '/capacitors/decode',
        operationId: 'decodeMarking',
        tags: ['capacitors'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/DecodeBody')),
        responses: [
            new OA\Response(
                response: 200,
                description: 'what it may mean; nothing when it cannot be read',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: DecodedCard::class)),
            ),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function decode(Request $request): JsonResponse
    {
        $body = Body::as($request, DecodeBody::class);

        return new JsonResponse(array_map(static fn (Marking $it): DecodedCard => new DecodedCard(
            says: $it->words(),
            marked_f: $it->capacitanceF,
            rated_v: $it->ratedV,
            minus_pct: $it->tolerance['minus_pct'] ?? null,
            plus_pct: $it->tolerance['plus_pct'] ?? null,
            scheme: $it->scheme,
            series: PreferredValues::seriesOf($it->capacitanceF),
        ), Marking::decode($body->marking, $body->kind)));
    }

    #[OA\Post(
        path: '/jobs/{job}/capacitors/take',
        operationId: 'takeCapacitance',
        tags: ['capacitors'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/TakeCapacitanceBody')),
        responses: [
            new OA\Response(
                response: 200,
                description: 'a reading in the record, or why there is none',
                content: new OA\JsonContent(ref: FaradsTaken::class),
            ), new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function take(Request $request, Job $job): JsonResponse
    {
        $body = Body::as($request, TakeCapacitanceBody::class);
        $meter = Meter::active($body->meter);
        $known = Entry::query()->find($body->id);
        if ($known !== null) {
            return $known->job_id === $job->id
                ? new JsonResponse(new FaradsTaken(MeterState::Reading, 'was taken before', null))
                : throw Conflict::at('/id', 'another entry has this id');
        }
        $leads = $body->what === Take::Leads;
        $cap = $leads ? '' : $body->cap ?? throw InvalidDocument::at('/cap', 'is missing');
        $taken = CapacitorMeter::take($meter, $body->what, $cap);
        if ($taken->refusal !== null || $leads) {
            return new JsonResponse(new FaradsTaken(
                $taken->refusal->state ?? MeterState::Reading,
                $taken->words,
                $taken->read['esr_ohm'] ?? null,
            ));
        }
        $data = (object) [...$body->given(), ...$taken->read, 'cap' => $cap, 'meter' => $meter->id];
        $draft = House::here()->hall->draft(Node::of((object) [
            'id' => $body->id, 'at' => $body->at->format(Cards::EXACT), 'kind' => CapacitorRead::KIND, 'stage' => Stage::Repair->value, 'data' => $data,
            ...($body->board === null ? [] : ['board' => $body->board]),
        ]));
        Append::to($job->id, $draft, SignedIn::person($request));

        return new JsonResponse(new FaradsTaken(MeterState::Reading, '', null));
    }
}
