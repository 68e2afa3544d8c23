<?php

declare(strict_types=1);

namespace App\Memory;

use App\Http\Body;
use App\Http\Errors;
use App\Logbook\Job;
use App\People\SignedIn;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Memory\Counted;
use Ash\Memory\DescribedMemories;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use OpenApi\Attributes as OA;

final readonly class MemoryController
{
    #[OA\Get(path: '/jobs/{job}/memory', operationId: 'showMemory', tags: ['memory'], parameters: [
        new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'map', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'run', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'against', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'board', description: 'another of the machine', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'map, runs, suspects', content: new OA\JsonContent(ref: MemoryPage::class))])]
    public function show(Request $request, Job $job): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('map', 'run', 'against', 'board');
        $word = static fn (string $name): ?string => $query->has($name) && !$query->at($name)->isNull() && $query->at($name)->string() !== ''
            ? $query->at($name)->string()
            : null;

        return new JsonResponse(MemoryOfJob::of($job->atHand($query), $word('map'), $word('run'), $word('against')));
    }

    #[OA\Get(path: '/jobs/{job}/memory/counted', operationId: 'countedMemory', tags: ['memory'], parameters: [
        new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'map', required: true, schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'says', required: true, description: 'as the machine says it: 48082 bytes free', schema: new OA\Schema(type: 'string')),
    ], responses: [
        new OA\Response(response: 200, description: 'against what the map says is fitted', content: new OA\JsonContent(ref: CountedCard::class)),
        new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
    ])]
    public function counted(Request $request, Job $job): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('map', 'says');
        $memory = $job->profile()->section(DescribedMemories::class)?->memory($query->at('map')->string())
            ?? throw InvalidDocument::at('/map', 'there is no such memory');
        $counted = Counted::read($query->at('says')->text(200))
            ?? throw InvalidDocument::at('/says', 'names no size with its unit: write 48082 bytes, 640 K or 1 MB');

        return new JsonResponse(new CountedCard($counted->against($memory)));
    }

    #[OA\Post(
        path: '/jobs/{job}/memory-sources',
        operationId: 'readMemoryText',
        tags: ['memory'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/MemoryTextBody')),
        responses: [
            new OA\Response(
                response: 201,
                description: 'what was recognised and what was left; nothing is in the record yet',
                content: new OA\JsonContent(ref: SourceCard::class),
            ),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function text(Request $request, Job $job): JsonResponse
    {
        $body = Body::as($request, MemoryTextBody::class);

        return new JsonResponse(MemoryCards::source(Sources::text($job, $body, SignedIn::person($request))), 201);
    }

    #[OA\Post(
        path: '/jobs/{job}/memory-sources/csv',
        operationId: 'readMemoryCsv',
        tags: ['memory'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\MediaType(
            mediaType: 'multipart/form-data',
            schema: new OA\Schema(ref: '#/components/schemas/MemoryCsvBody'),
        )),
        responses: [
            new OA\Response(response: 201, description: 'what was read; nothing is in the record yet', content: new OA\JsonContent(ref: SourceCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function csv(Request $request, Job $job): JsonResponse
    {
        $fields = Body::form($request, MemoryCsvBody::class);
        $file = $request->file('file');

        return new JsonResponse(
            MemoryCards::source(Sources::csv($job, $fields, $file instanceof UploadedFile ? $file : null, SignedIn::person($request))),
            201,
        );
    }

    #[OA\Post(
        path: '/jobs/{job}/captures',
        operationId: 'startCapture',
        tags: ['memory'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/CaptureBody')),
        responses: [
            new OA\Response(response: 201, description: 'listening', content: new OA\JsonContent(ref: SourceCard::class)),
            new OA\Response(response: 409, description: 'someone listens there already', content: new OA\JsonContent(ref: Errors::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function capture(Request $request, Job $job): JsonResponse
    {
        $body = Body::as($request, CaptureBody::class);

        return new JsonResponse(MemoryCards::source(Sources::capture($job, $body, SignedIn::person($request))), 201);
    }

    #[OA\Get(
        path: '/memory-sources/{source}',
        operationId: 'showMemorySource',
        tags: ['memory'],
        parameters: [new OA\PathParameter(name: 'source', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'as it stands', content: new OA\JsonContent(ref: SourceCard::class))],
    )]
    public function source(Source $source): JsonResponse
    {
        return new JsonResponse(MemoryCards::source($source));
    }

    #[OA\Put(
        path: '/memory-sources/{source}',
        operationId: 'readMemorySourceAgain',
        tags: ['memory'],
        parameters: [new OA\PathParameter(name: 'source', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/ReadAgainBody')),
        responses: [
            new OA\Response(response: 200, description: 'read again with other settings', content: new OA\JsonContent(ref: SourceCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function again(Request $request, Source $source): JsonResponse
    {
        Body::of($request)->members() !== [] || throw InvalidDocument::at('', 'must have radix, pattern, tested or text');
        $body = Body::as($request, ReadAgainBody::class);

        return new JsonResponse(MemoryCards::source(Sources::again($source, $body)));
    }

    #[OA\Post(
        path: '/memory-sources/{source}/stop',
        operationId: 'stopCapture',
        tags: ['memory'],
        parameters: [new OA\PathParameter(name: 'source', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'stopped; what came in is kept', content: new OA\JsonContent(ref: SourceCard::class))],
    )]
    public function stop(Source $source): JsonResponse
    {
        return new JsonResponse(MemoryCards::source(Sources::stop($source)));
    }

    #[OA\Get(
        path: '/jobs/{job}/soak',
        operationId: 'showSoak',
        tags: ['memory'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'soaks of the job', content: new OA\JsonContent(ref: SoakPage::class))],
    )]
    public function soak(Job $job): JsonResponse
    {
        return new JsonResponse(MemoryOfJob::soak($job));
    }
}
