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
use App\Logbook\Cards;
use App\Logbook\Entry;
use App\Logbook\House;
use App\Logbook\Job;
use App\Logbook\Photo;
use App\People\SignedIn;
use Ash\Corrosion\ContinuityRead;
use Ash\Corrosion\ForbidsWater;
use Ash\Corrosion\PhotoDistance;
use Ash\Corrosion\SurveyPlace;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Facts\Substance;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\RedirectResponse;

final readonly class CorrosionController
{
    #[OA\Get(
        path: '/jobs/{job}/leaks',
        operationId: 'movedCorrosion',
        tags: ['corrosion'],
        deprecated: true,
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 308, description: 'where it was before the room had its name')],
    )]
    public function moved(string $job): RedirectResponse
    {
        return new RedirectResponse("/api/jobs/{$job}/corrosion", 308);
    }

    public function movedPage(string $job): RedirectResponse
    {
        return new RedirectResponse("/jobs/{$job}/corrosion", 308);
    }

    #[OA\Get(path: '/jobs/{job}/corrosion', operationId: 'showCorrosion', tags: ['corrosion'], parameters: [
        new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'board', description: 'another of the machine', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(
            name: 'on_board',
            description: 'comma-separated: what the board carries that forbids a bath; "none": somebody has looked, and nothing does; absent: nobody has',
            schema: new OA\Schema(type: 'string'),
        ),
        new OA\QueryParameter(
            name: 'also',
            description: 'comma-separated: further substances meant to be used, by name; other words are not judged',
            schema: new OA\Schema(type: 'string'),
        ),
    ], responses: [new OA\Response(response: 200, description: 'survey, work list, continuity', content: new OA\JsonContent(ref: CorrosionPage::class))])]
    public function show(Request $request, Job $job): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('board', 'on_board', 'also');
        $list = static fn (?Node $words): array => $words === null || $words->isNull()
            ? []
            : array_values(array_filter(array_map(trim(...), explode(',', $words->string())), static fn (string $it): bool => $it !== ''));
        $said = $query->optional('on_board');
        $looked = $list($said);
        $onBoard = $looked === [] ? null : array_map(
            static fn (string $it): ForbidsWater => ForbidsWater::tryFrom($it) ?? throw InvalidDocument::at('/on_board', "there is no \"{$it}\""),
            array_values(array_diff($looked, ['none'])),
        );
        $also = array_map(static fn (string $it): Substance|string => Substance::tryFrom($it) ?? $it, $list($query->optional('also')));

        return new JsonResponse(SurveyOfJob::of($job->atHand($query))->page($onBoard, $also));
    }

    #[OA\Post(
        path: '/jobs/{job}/continuity/take',
        operationId: 'takeContinuity',
        tags: ['corrosion'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/ContinuityBody')),
        responses: [
            new OA\Response(response: 200, description: 'a reading in the record, or why there is none', content: new OA\JsonContent(ref: OhmsTaken::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function take(Request $request, Job $job): JsonResponse
    {
        $body = Body::as($request, ContinuityBody::class);
        $meter = Meter::active($body->meter);
        // Without a place the probes are together: the leads are measured, and nothing goes into the record.
        $survey = $body->place === null ? null : Entry::query()->where('job_id', $job->id)->where('kind', SurveyPlace::KIND)->find($body->place)
            ?? throw InvalidDocument::at('/place', 'is not a place of this job\'s leak survey');
        $known = Entry::query()->find($body->id);
        if ($known !== null) {
            return $known->job_id === $job->id
                ? new JsonResponse(new OhmsTaken(MeterState::Reading, 'was taken before', null))
                : throw Conflict::at('/id', 'another entry has this id');
        }
        $probe = Scene::probe($survey === null ? 'leads' : 'continuity', $survey?->as(SurveyPlace::class)->place ?? '', 'none');
        $answer = (new ScpiMeter($meter))->measure([Quantity::Ohms], $meter->standin ? [$probe] : [])[0];
        // Overload in ohms is what an open trace looks like; of the leads alone it is a fault of theirs.
        $open = $answer->state === MeterState::Overload && $survey !== null;
        if ($answer->value === null && !$open) {
            return new JsonResponse(new OhmsTaken($answer->state, $answer->words, null));
        }
        $ohms = $open ? null : max(0.0, (float) $answer->value);
        if ($survey === null) {
            return new JsonResponse(new OhmsTaken(MeterState::Reading, Notation::print((float) $ohms, Unit::Ohm, 3), $ohms));
        }
        $draft = House::here()->hall->draft(Node::of((object) [
            'id' => $body->id, 'at' => $body->at->format(Cards::EXACT), 'kind' => ContinuityRead::KIND, 'data' => (object) [
                'place' => $survey->id, 'measured_ohm' => $ohms ?? 'open', 'lead_ohm' => $body->leadOhm, 'meter' => $meter->id,
            ],
        ]));
        Append::to($job->id, $draft, SignedIn::person($request));

        return new JsonResponse(new OhmsTaken(MeterState::Reading, '', $ohms));
    }

    #[OA\Post(
        path: '/photos/{photo}/distance',
        operationId: 'measureOnPhoto',
        tags: ['corrosion'],
        parameters: [new OA\PathParameter(name: 'photo', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/DistanceBody')),
        responses: [
            new OA\Response(response: 200, description: 'how far the places lie apart', content: new OA\JsonContent(ref: DistanceCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function distance(Request $request, Photo $photo): JsonResponse
    {
        $body = Body::as($request, DistanceBody::class);
        count($body->taps) === 4 || throw InvalidDocument::at('/taps', 'must be four: the ends of the known length, then the two places');
        [$a, $b, $from, $to] = $body->taps;
        $px = static fn (Tap $one, Tap $other): float => hypot(($one->x - $other->x) * $photo->width, ($one->y - $other->y) * $photo->height);
        $distance = PhotoDistance::of($px($a, $b), $body->knownMm, $px($from, $to))
            ?? throw InvalidDocument::at('/taps', 'the known length is too short on this picture to measure by: take a longer one');

        return new JsonResponse(new DistanceCard($distance->mm, $distance->words()));
    }
}
