<?php

declare(strict_types=1);

namespace App\Instruments;

use App\Http\Body;
use App\Http\Errors;
use App\Http\Once;
use Ash\Document\InvalidDocument;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final readonly class MeterController
{
    #[OA\Get(
        path: '/meters',
        operationId: 'listMeters',
        tags: ['instruments'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'meters by name',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: MeterCard::class)),
            ),
        ],
    )]
    public function index(): JsonResponse
    {
        return new JsonResponse(Meter::query()->orderBy('name')->get()->map(self::card(...))->all());
    }

    #[OA\Post(
        path: '/meters',
        operationId: 'addMeter',
        tags: ['instruments'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/MeterBody')),
        responses: [
            new OA\Response(response: 201, description: 'added', content: new OA\JsonContent(ref: MeterCard::class)),
            new OA\Response(response: 200, description: 'the same meter was there already', content: new OA\JsonContent(ref: MeterCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function store(Request $request): JsonResponse
    {
        [$meter, $new] = Once::made(
            static fn (): ?Meter => Meter::query()->where(self::read($request, null, false))->first(),
            static fn (): Meter => Meter::query()->create(self::read($request, null)),
        );

        return new JsonResponse(self::card($meter), $new ? 201 : 200);
    }

    #[OA\Put(
        path: '/meters/{meter}',
        operationId: 'changeMeter',
        tags: ['instruments'],
        parameters: [new OA\PathParameter(name: 'meter', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/MeterBody')),
        responses: [new OA\Response(response: 200, description: 'changed', content: new OA\JsonContent(ref: MeterCard::class))],
    )]
    public function update(Request $request, Meter $meter): JsonResponse
    {
        $meter->update(self::read($request, $meter));

        return new JsonResponse(self::card($meter));
    }

    #[OA\Post(
        path: '/meters/{meter}/check',
        operationId: 'checkMeter',
        tags: ['instruments'],
        parameters: [new OA\PathParameter(name: 'meter', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'what it said', content: new OA\JsonContent(ref: MeterAnswer::class))],
    )]
    public function check(Meter $meter): JsonResponse
    {
        $answer = (new ScpiMeter($meter))->identity();

        return new JsonResponse($answer instanceof MeterReading
            ? new MeterAnswer($answer->state, $answer->words)
            : new MeterAnswer(MeterState::Reading, $answer));
    }

    #[OA\Get(
        path: '/meters/{meter}/scene',
        operationId: 'showScene',
        tags: ['instruments'],
        parameters: [new OA\PathParameter(name: 'meter', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'the stand-in\'s scene', content: new OA\JsonContent(ref: SceneCard::class))],
    )]
    public function scene(Meter $meter): JsonResponse
    {
        abort_unless($meter->standin, 404);

        return new JsonResponse(Scene::read($meter));
    }

    #[OA\Put(
        path: '/meters/{meter}/scene',
        operationId: 'chooseScene',
        tags: ['instruments'],
        parameters: [new OA\PathParameter(name: 'meter', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/SceneBody')),
        responses: [new OA\Response(response: 200, description: 'the stand-in\'s scene', content: new OA\JsonContent(ref: SceneCard::class))],
    )]
    public function chooseScene(Request $request, Meter $meter): JsonResponse
    {
        $body = Body::as($request, SceneBody::class);
        abort_unless($meter->standin, 404);

        return new JsonResponse(Scene::choose($meter, $body->scene));
    }

    /** @return array<string, string|int|float|bool|null> */
    private static function read(Request $request, ?Meter $meter, bool $alone = true): array
    {
        $given = Body::of($request);
        $body = Body::as($request, MeterBody::class);
        if ($alone && Meter::query()->where('name', $body->name)->whereKeyNot($meter->id ?? '')->exists()) {
            throw InvalidDocument::at('/name', 'there is a meter of this name already');
        }

        return [
            'name' => $body->name,
            'host' => $body->host,
            'port' => $body->port,
            'reading_pct' => $body->readingPct,
            'counts' => $body->counts,
            'resolution_v' => $body->resolutionV,
            'esr_query' => $given->has('esr_query') ? $body->esrQuery : $meter?->esr_query,
            'tan_delta_query' => $given->has('tan_delta_query') ? $body->tanDeltaQuery : $meter?->tan_delta_query,
            'loss_hz' => $given->has('loss_hz') ? $body->lossHz : $meter?->loss_hz,
            'active' => $body->active ?? $meter->active ?? true,
        ];
    }

    private static function card(Meter $meter): MeterCard
    {
        $address = $meter->address();

        return new MeterCard(
            id: $meter->id,
            name: $meter->name,
            host: $address->host,
            port: $address->port,
            reading_pct: $meter->reading_pct,
            counts: $meter->counts,
            resolution_v: $meter->resolution_v,
            esr_query: $meter->esr_query,
            tan_delta_query: $meter->tan_delta_query,
            loss_hz: $meter->loss_hz,
            standin: $meter->standin,
            active: $meter->active,
        );
    }
}
