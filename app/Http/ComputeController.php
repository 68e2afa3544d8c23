<?php

declare(strict_types=1);

namespace App\Http;

use Ash\Batteries\BatteriesRoom;
use Ash\Capacitors\CapacitorsRoom;
use Ash\Corrosion\CorrosionRoom;
use Ash\Memory\MemoryRoom;
use Ash\Rails\RailsRoom;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** The computations of the core as bin/ash offers them, over HTTP. */
final readonly class ComputeController
{
    #[OA\Post(path: '/compute/{room}/{verb}', operationId: 'compute', tags: ['compute'], parameters: [new OA\PathParameter(name: 'room', schema: new OA\Schema(type: 'string', enum: ['rails', 'batteries', 'corrosion', 'memory', 'capacitors'])), new OA\PathParameter(name: 'verb', schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/AnyDocument')), responses: [new OA\Response(response: 200, description: 'as bin/ash answers', content: new OA\JsonContent(ref: '#/components/schemas/AnyDocument')), new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class))])]
    public function compute(Request $request, string $room, string $verb): JsonResponse
    {
        Body::of($request);
        $rooms = ['rails' => new RailsRoom(), 'batteries' => new BatteriesRoom(), 'corrosion' => new CorrosionRoom(), 'memory' => new MemoryRoom(), 'capacitors' => new CapacitorsRoom()];
        $it = isset($rooms[$room]) ? $rooms[$room]->verbs()[$verb] ?? abort(404) : abort(404);

        return JsonResponse::fromJsonString($it->answer($request->getContent()));
    }
}
