<?php

declare(strict_types=1);

namespace App\Report;

use App\Http\Body;
use App\Http\Conflict;
use App\Http\Once;
use App\Logbook\Cards;
use App\Logbook\Job;
use App\People\SignedIn;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\URL;
use OpenApi\Attributes as OA;

final readonly class LinkController
{
    #[OA\Get(
        path: '/jobs/{job}/report-links',
        operationId: 'listReportLinks',
        tags: ['report'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(
                response: 200,
                description: 'links, latest first',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: LinkCard::class)),
            ),
        ],
    )]
    public function index(Job $job): JsonResponse
    {
        return new JsonResponse(ReportLink::query()
            ->where('job_id', $job->id)
            ->orderByDesc('created_at')
            ->orderByDesc('id')
            ->limit(50)
            ->get()
            ->map(self::card(...))->all());
    }

    #[OA\Post(
        path: '/jobs/{job}/report-links',
        operationId: 'addReportLink',
        tags: ['report'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/LinkBody')),
        responses: [
            new OA\Response(response: 201, description: 'the link', content: new OA\JsonContent(ref: LinkCard::class)),
            new OA\Response(response: 200, description: 'the same link was there already', content: new OA\JsonContent(ref: LinkCard::class)),
        ],
    )]
    public function store(Request $request, Job $job): JsonResponse
    {
        $body = Body::as($request, LinkBody::class);
        $id = $body->id === null ? null : strtolower($body->id);
        [$link, $new] = Once::made(
            static function () use ($job, $id): ?ReportLink {
                $known = $id === null ? null : ReportLink::query()->find($id);

                return $known === null || $known->job_id === $job->id ? $known : throw Conflict::at('/id', 'another link has this id');
            },
            static fn (): ReportLink => ReportLink::query()->forceCreate([
                ...($id === null ? [] : ['id' => $id]),
                'job_id' => $job->id,
                'author' => SignedIn::person($request)->name,
                'expires_at' => now()->addDays($body->days),
            ]),
        );

        return new JsonResponse(self::card($link), $new ? 201 : 200);
    }

    #[OA\Delete(
        path: '/report-links/{link}',
        operationId: 'revokeReportLink',
        tags: ['report'],
        parameters: [new OA\PathParameter(name: 'link', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'taken back', content: new OA\JsonContent(ref: LinkCard::class))],
    )]
    public function destroy(ReportLink $link): JsonResponse
    {
        $link->update(['revoked_at' => $link->revoked_at ?? now()]);

        return new JsonResponse(self::card($link));
    }

    private static function card(ReportLink $link): LinkCard
    {
        return new LinkCard(
            $link->id,
            URL::temporarySignedRoute('report.owner', $link->expires_at, ['link' => $link->id]),
            $link->author,
            $link->expires_at->format(Cards::TIME),
            $link->open(),
        );
    }
}
