<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Http\Body;
use App\Http\Conflict;
use App\Http\Errors;
use App\Instruments\Meter;
use App\Instruments\MeterState;
use App\Logbook\Append;
use App\Logbook\Entry;
use App\Logbook\Job;
use App\People\SignedIn;
use Ash\Capacitors\Kind;
use Ash\Capacitors\Marking;
use Ash\Capacitors\PreferredValues;
use Ash\Document\Node;
use Ash\Logbook\EntryDraft;
use Ash\Document\Ulid;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final readonly class CapacitorController
{
    #[OA\Get(path: '/jobs/{job}/capacitors', operationId: 'showCapacitors', tags: ['capacitors'], parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'the board\'s list, readings, policy', content: new OA\JsonContent(ref: CapacitorPage::class))])]
    public function show(Job $job): JsonResponse
    {
        return new JsonResponse(CapacitorPages::of($job)->page());
    }

    #[OA\Get(path: '/jobs/{job}/substitutes', operationId: 'showSubstitutes', tags: ['capacitors'], parameters: [
        new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'cap', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'at_c', description: 'temperature at the board', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'parts of the shelf, best first', content: new OA\JsonContent(ref: SubstitutePage::class)), new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class))])]
    public function substitutes(Request $request, Job $job): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('cap', 'at_c');
        $at = $query->optional('at_c')?->string();
        $at === null || is_numeric($at) && (float) $at > -60 && (float) $at < 200 || $query->at('at_c')->refuse('must be a temperature in degrees Celsius');

        return new JsonResponse(CapacitorPages::of($job)->substitutes($query->at('cap')->string(), $at === null ? CapacitorPages::BOARD_C : (float) $at));
    }

    #[OA\Post(path: '/capacitors/decode', operationId: 'decodeMarking', tags: ['capacitors'], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/DecodeBody')), responses: [new OA\Response(response: 200, description: 'what it may mean; nothing when it cannot be read', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: DecodedCard::class))), new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class))])]
    public function decode(Request $request): JsonResponse
    {
        $body = Body::of($request)->only('marking', 'kind');
        $kind = $body->has('kind') && !$body->at('kind')->isNull() ? $body->at('kind')->enum(Kind::class) : null;

        return new JsonResponse(array_map(static fn (Marking $it): DecodedCard => new DecodedCard($it->words(), $it->capacitanceF, $it->ratedV, $it->tolerance['minus_pct'] ?? null, $it->tolerance['plus_pct'] ?? null, $it->scheme, PreferredValues::seriesOf($it->capacitanceF)), Marking::decode($body->at('marking')->text(60), $kind)));
    }

    #[OA\Post(path: '/jobs/{job}/capacitors/take', operationId: 'takeCapacitance', tags: ['capacitors'], parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/TakeCapacitanceBody')), responses: [
        new OA\Response(response: 200, description: 'a reading in the record, or why there is none', content: new OA\JsonContent(ref: FaradsTaken::class)), new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
    ])]
    public function take(Request $request, Job $job): JsonResponse
    {
        $body = Body::of($request)->only('id', 'at', 'meter', 'what', 'cap', 'in_circuit', 'visual', 'esr_ohm', 'lead_ohm', 'sure');
        $id = Ulid::read($body->at('id'));
        $body->at('at')->instant();
        $what = $body->at('what')->enum(Take::class);
        $meter = Meter::query()->where('active', true)->find($body->at('meter')->string()) ?? $body->at('meter')->refuse('there is no such meter, or it is put away');
        $known = Entry::query()->find($id);
        if ($known !== null) {
            return $known->job_id === $job->id ? new JsonResponse(new FaradsTaken(MeterState::Reading->value, 'was taken before', null)) : throw Conflict::at('/id', 'another entry has this id');
        }
        $taken = CapacitorMeter::take($meter, $what, $what === Take::Leads ? '' : $body->at('cap')->text(160));
        if ($taken->refusal !== null || $what === Take::Leads) {
            return new JsonResponse(new FaradsTaken($taken->refusal->state->value ?? MeterState::Reading->value, $taken->words, $taken->read['esr_ohm'] ?? null));
        }
        $given = array_intersect_key(get_object_vars($body->object()), array_flip(['in_circuit', 'visual', 'sure', ...($what === Take::Part ? ['esr_ohm', 'lead_ohm'] : [])]));
        $data = (object) [...$given, ...$taken->read, 'cap' => $body->at('cap')->text(160), 'meter' => $meter->id];
        Append::to($job->id, EntryDraft::read(Node::of((object) ['id' => $id, 'at' => $body->at('at')->string(), 'kind' => 'cap_reading', 'stage' => 'repair', 'data' => $data])), SignedIn::person($request));

        return new JsonResponse(new FaradsTaken(MeterState::Reading->value, '', null));
    }
}
