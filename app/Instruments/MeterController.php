<?php

declare(strict_types=1);

namespace App\Instruments;

use App\Http\Body;
use App\Http\Errors;
use Ash\Document\Node;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final readonly class MeterController
{
    private const MOST_HZ = 1e6;

    #[OA\Get(path: '/meters', operationId: 'listMeters', tags: ['instruments'], responses: [new OA\Response(response: 200, description: 'meters by name', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: MeterCard::class)))])]
    public function index(): JsonResponse
    {
        return new JsonResponse(Meter::query()->orderBy('name')->get()->map(self::card(...))->all());
    }

    #[OA\Post(path: '/meters', operationId: 'addMeter', tags: ['instruments'], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/MeterBody')), responses: [new OA\Response(response: 201, description: 'added', content: new OA\JsonContent(ref: MeterCard::class)), new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class))])]
    public function store(Request $request): JsonResponse
    {
        return new JsonResponse(self::card(Meter::query()->create(self::read(Body::of($request), null))), 201);
    }

    #[OA\Put(path: '/meters/{meter}', operationId: 'changeMeter', tags: ['instruments'], parameters: [new OA\PathParameter(name: 'meter', schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/MeterBody')), responses: [new OA\Response(response: 200, description: 'changed', content: new OA\JsonContent(ref: MeterCard::class))])]
    public function update(Request $request, Meter $meter): JsonResponse
    {
        $meter->update(self::read(Body::of($request), $meter));

        return new JsonResponse(self::card($meter));
    }

    #[OA\Post(path: '/meters/{meter}/check', operationId: 'checkMeter', tags: ['instruments'], parameters: [new OA\PathParameter(name: 'meter', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'what it said', content: new OA\JsonContent(ref: MeterAnswer::class))])]
    public function check(Meter $meter): JsonResponse
    {
        $answer = (new ScpiMeter($meter))->identity();

        return new JsonResponse($answer instanceof Measured
            ? new MeterAnswer($answer->state->value, $answer->words)
            : new MeterAnswer(MeterState::Reading->value, $answer));
    }

    #[OA\Get(path: '/meters/{meter}/scene', operationId: 'showScene', tags: ['instruments'], parameters: [new OA\PathParameter(name: 'meter', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'the stand-in\'s scene', content: new OA\JsonContent(ref: SceneCard::class))])]
    public function scene(Meter $meter): JsonResponse
    {
        abort_unless($meter->standin, 404);

        return new JsonResponse(Scene::read($meter));
    }

    #[OA\Put(path: '/meters/{meter}/scene', operationId: 'chooseScene', tags: ['instruments'], parameters: [new OA\PathParameter(name: 'meter', schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/SceneBody')), responses: [new OA\Response(response: 200, description: 'the stand-in\'s scene', content: new OA\JsonContent(ref: SceneCard::class))])]
    public function chooseScene(Request $request, Meter $meter): JsonResponse
    {
        $body = Body::of($request)->only('scene');
        abort_unless($meter->standin, 404);

        return new JsonResponse(Scene::choose($meter, $body->at('scene')->text(60)));
    }

    /** @return array<string, mixed> */
    private static function read(Node $body, ?Meter $meter): array
    {
        $body->only('name', 'host', 'port', 'reading_pct', 'counts', 'resolution_v', 'esr_query', 'tan_delta_query', 'loss_hz', 'active');
        $address = Address::read($body->at('host'), $body->at('port'));
        $name = $body->at('name');
        if (Meter::query()->where('name', $name->text(120))->whereKeyNot($meter->id ?? '')->exists()) {
            $name->refuse('there is a meter of this name already');
        }

        return [
            'name' => $name->text(120),
            'host' => $address->host,
            'port' => $address->port,
            'reading_pct' => $body->at('reading_pct')->between(0, 100),
            'counts' => $body->at('counts')->between(0, 1000),
            'resolution_v' => $body->at('resolution_v')->between(0, 100),
            'esr_query' => $body->has('esr_query') ? self::query($body, 'esr_query') : $meter?->esr_query,
            'tan_delta_query' => $body->has('tan_delta_query') ? self::query($body, 'tan_delta_query') : $meter?->tan_delta_query,
            'loss_hz' => $body->has('loss_hz') ? self::hertz($body) : $meter?->loss_hz,
            'active' => $body->optional('active')?->bool() ?? $meter->active ?? true,
        ];
    }

    /** One query and nothing else, so that what a lead writes cannot set the meter. IEEE 488.2, 7.6: program headers and data. */
    private static function query(Node $body, string $field): ?string
    {
        $node = $body->filled($field);
        if ($node === null) {
            return null;
        }

        return preg_match('/^:?[A-Za-z][A-Za-z0-9]*(:[A-Za-z][A-Za-z0-9]*)*\?( [A-Za-z0-9.+-]+(,[A-Za-z0-9.+-]+)*)?$/D', $node->text(60)) === 1
            ? $node->text(60) : $node->refuse('must be one query such as MEAS:CAP:ESR?, as the meter\'s manual gives it');
    }

    private static function hertz(Node $body): ?float
    {
        $node = $body->filled('loss_hz');

        return $node === null || $node->positive() <= self::MOST_HZ ? $node?->positive() : $node->refuse('must be at most 1000000 Hz');
    }

    private static function card(Meter $meter): MeterCard
    {
        $address = $meter->address();

        return new MeterCard($meter->id, $meter->name, $address->host, $address->port, $meter->reading_pct, $meter->counts, $meter->resolution_v, $meter->esr_query, $meter->tan_delta_query, $meter->loss_hz, $meter->standin, $meter->active);
    }
}
