<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Body;
use App\Http\Errors;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** The computations of the core as bin/ash offers them, over HTTP. */
final readonly class ComputeController
{
    #[OA\Post(
        path: '/compute/{room}/{verb}',
        operationId: 'compute',
        tags: ['compute'],
        parameters: [
            new OA\PathParameter(name: 'room', schema: new OA\Schema(type: 'string')),
            new OA\PathParameter(name: 'verb', schema: new OA\Schema(type: 'string')),
        ],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/AnyDocument')),
        responses: [
            new OA\Response(response: 200, description: 'as bin/ash answers', content: new OA\JsonContent(ref: '#/components/schemas/AnyDocument')),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function compute(Request $request, string $room, string $verb): JsonResponse
    {
        Body::of($request);
        $rooms = House::here()->hall->rooms;
        $it = isset($rooms[$room]) ? $rooms[$room]->verbs()[$verb] ?? abort(404) : abort(404);

        return JsonResponse::fromJsonString($it->answer($request->getContent()));
    }
}
