<?php

declare(strict_types=1);

namespace App\Corrosion;

use App\Http\Body;
use App\Http\Conflict;
use App\Http\Errors;
use App\Instruments\Meter;
use App\Instruments\MeterState;
use App\Instruments\Quantity;
use App\Instruments\Scene;
use App\Instruments\ScpiMeter;
use App\Logbook\Append;
use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Record;
use App\People\SignedIn;
use Ash\Document\Node;
use Ash\Logbook\EntryDraft;
use Ash\Logbook\EntryKind;
use Ash\Document\Ulid;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final readonly class LeakController
{
    #[OA\Get(path: '/jobs/{job}/leaks', operationId: 'showLeaks', tags: ['corrosion'], parameters: [
        new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'on_board', description: 'comma-separated: what the board carries that forbids a bath', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'also', description: 'comma-separated: further chemicals meant to be used', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'survey, work list, continuity', content: new OA\JsonContent(ref: LeakPage::class))])]
    public function show(Request $request, Job $job): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('on_board', 'also');
        $list = static fn (?Node $words): array => $words === null || $words->isNull() ? [] : array_values(array_filter(array_map(trim(...), explode(',', $words->string())), static fn (string $it): bool => $it !== ''));

        return new JsonResponse(LeakPages::of($job, $list($query->optional('on_board')), $list($query->optional('also'))));
    }

    #[OA\Post(path: '/jobs/{job}/continuity/take', operationId: 'takeContinuity', tags: ['corrosion'], parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/ContinuityBody')), responses: [
        new OA\Response(response: 200, description: 'a reading in the record, or why there is none', content: new OA\JsonContent(ref: OhmsTaken::class)),
        new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
    ])]
    public function take(Request $request, Job $job): JsonResponse
    {
        $body = Body::of($request)->only('id', 'at', 'meter', 'place', 'lead_ohm');
        $id = Ulid::read($body->at('id'));
        $body->at('at')->instant();
        $meter = Meter::query()->where('active', true)->find($body->at('meter')->string()) ?? $body->at('meter')->refuse('there is no such meter, or it is put away');
        $place = $body->at('place');
        // Without a place the probes are together: the leads are measured, and nothing goes into the record.
        $survey = $place->isNull() ? null : Entry::query()->where('job_id', $job->id)->where('kind', EntryKind::Survey)->find(Ulid::read($place)) ?? $place->refuse('is not a place of this job\'s leak survey');
        $known = Entry::query()->find($id);
        if ($known !== null) {
            return $known->job_id === $job->id ? new JsonResponse(new OhmsTaken(MeterState::Reading->value, 'was taken before', null)) : throw Conflict::at('/id', 'another entry has this id');
        }
        $answer = (new ScpiMeter($meter))->measure([Quantity::Ohms], $meter->standin ? [Scene::probe($survey === null ? 'leads' : 'continuity', Record::word($survey, 'place'), 'none')] : [])[0];
        // Overload in ohms is what an open trace looks like; of the leads alone it is a fault of theirs.
        $open = $answer->state === MeterState::Overload && $survey !== null;
        if ($answer->value === null && !$open) {
            return new JsonResponse(new OhmsTaken($answer->state->value, $answer->words, null));
        }
        if ($survey !== null) {
            $draft = EntryDraft::read(Node::of((object) ['id' => $id, 'at' => $body->at('at')->string(), 'kind' => 'continuity', 'data' => (object) [
                'place' => $survey->id, 'measured_ohm' => $open ? 'open' : max(0.0, (float) $answer->value), 'lead_ohm' => $body->at('lead_ohm')->notNegative(), 'meter' => $meter->id,
            ]]));
            Append::to($job->id, $draft, SignedIn::person($request));
        }

        $ohms = $open ? null : max(0.0, (float) $answer->value);

        return new JsonResponse(new OhmsTaken(MeterState::Reading->value, $survey === null && $ohms !== null ? Notation::print($ohms, Unit::Ohm, 3) : '', $ohms));
    }
}
