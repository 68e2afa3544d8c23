<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Body;
use App\Http\Errors;
use App\People\SignedIn;
use Ash\Document\Node;
use Ash\Logbook\Entries\PhotoTaken;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

final readonly class PhotoController
{
    #[OA\Get(
        path: '/jobs/{job}/photos',
        operationId: 'listPhotos',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(
                response: 200,
                description: 'in time order',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: PhotoCard::class)),
            ),
        ],
    )]
    public function index(Job $job): JsonResponse
    {
        return new JsonResponse(PhotoCards::of($job));
    }

    #[OA\Post(
        path: '/jobs/{job}/photos',
        operationId: 'takePhoto',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\MediaType(
            mediaType: 'multipart/form-data',
            schema: new OA\Schema(ref: '#/components/schemas/PhotoBody'),
        )),
        responses: [
            new OA\Response(
                response: 201,
                description: 'in the record',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: PhotoCard::class)),
            ),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function store(Request $request, Job $job): JsonResponse
    {
        $body = Body::form($request, PhotoBody::class);
        $file = $request->file('file');
        $draft = House::here()->hall->draft(Node::of((object) [
            'id' => $body->entry,
            'at' => $body->at->format(Cards::EXACT),
            'kind' => PhotoTaken::KIND,
            'data' => (object) array_filter(['photo' => $body->id, 'of' => $body->of, 'phase' => $body->phase?->value]),
            ...($body->caption === null ? [] : ['text' => $body->caption]),
        ]));
        TakePhoto::into($job, $body->id, $draft, $file instanceof UploadedFile ? $file : null, SignedIn::person($request));

        return new JsonResponse(PhotoCards::of($job), 201);
    }

    public function picture(Photo $photo): BinaryFileResponse
    {
        return self::send($photo->file());
    }

    public function thumbnail(Photo $photo): BinaryFileResponse
    {
        return self::send($photo->file(true));
    }

    private static function send(string $file): BinaryFileResponse
    {
        abort_unless(is_file($file), 404);

        return new BinaryFileResponse($file, 200, ['Content-Type' => 'image/jpeg', 'Cache-Control' => 'private, max-age=31536000, immutable']);
    }
}
