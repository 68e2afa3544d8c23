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

final readonly class SerialPortController
{
    #[OA\Get(
        path: '/serial-ports',
        operationId: 'listSerialPorts',
        tags: ['instruments'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'serial ports by name',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: SerialPortCard::class)),
            ),
        ],
    )]
    public function index(): JsonResponse
    {
        return new JsonResponse(SerialPort::query()->orderBy('name')->get()->map(SerialPortCard::of(...))->all());
    }

    #[OA\Post(
        path: '/serial-ports',
        operationId: 'addSerialPort',
        tags: ['instruments'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/SerialPortBody')),
        responses: [
            new OA\Response(response: 201, description: 'added', content: new OA\JsonContent(ref: SerialPortCard::class)),
            new OA\Response(response: 200, description: 'the same port was there already', content: new OA\JsonContent(ref: SerialPortCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function store(Request $request): JsonResponse
    {
        [$port, $new] = Once::made(
            static fn (): ?SerialPort => SerialPort::query()->where(self::read($request, null, false))->first(),
            static fn (): SerialPort => SerialPort::query()->create(self::read($request, null)),
        );

        return new JsonResponse(SerialPortCard::of($port), $new ? 201 : 200);
    }

    #[OA\Put(
        path: '/serial-ports/{port}',
        operationId: 'changeSerialPort',
        tags: ['instruments'],
        parameters: [new OA\PathParameter(name: 'port', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/SerialPortBody')),
        responses: [
            new OA\Response(response: 200, description: 'changed', content: new OA\JsonContent(ref: SerialPortCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function update(Request $request, SerialPort $port): JsonResponse
    {
        $port->update(self::read($request, $port));

        return new JsonResponse(SerialPortCard::of($port));
    }

    #[OA\Get(
        path: '/serial-ports/{port}/scene',
        operationId: 'showTesterScene',
        tags: ['instruments'],
        parameters: [new OA\PathParameter(name: 'port', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'the stand-in tester\'s scene', content: new OA\JsonContent(ref: SceneCard::class))],
    )]
    public function scene(SerialPort $port): JsonResponse
    {
        abort_unless($port->standin, 404);

        return new JsonResponse(Scene::at($port->address(), null));
    }

    #[OA\Put(
        path: '/serial-ports/{port}/scene',
        operationId: 'chooseTesterScene',
        tags: ['instruments'],
        parameters: [new OA\PathParameter(name: 'port', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/SceneBody')),
        responses: [
            new OA\Response(response: 200, description: 'the stand-in tester\'s scene', content: new OA\JsonContent(ref: SceneCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function chooseScene(Request $request, SerialPort $port): JsonResponse
    {
        $body = Body::as($request, SceneBody::class);
        abort_unless($port->standin, 404);

        return new JsonResponse(Scene::at($port->address(), $body->scene));
    }

    /** @return array<string, string|int|bool> */
    private static function read(Request $request, ?SerialPort $port, bool $alone = true): array
    {
        $body = Body::as($request, SerialPortBody::class);
        if ($alone && SerialPort::query()->where('name', $body->name)->whereKeyNot($port->id ?? '')->exists()) {
            throw InvalidDocument::at('/name', 'there is a serial port of this name already');
        }

        return ['name' => $body->name, 'host' => $body->host, 'port' => $body->port, 'active' => $body->active ?? $port->active ?? true];
    }
}
