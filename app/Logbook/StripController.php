<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\Caution;
use Ash\Logbook\Entries\Connector;
use Ash\Logbook\Entries\Fixing;
use Ash\Logbook\Entries\TakenOut;
use Ash\Logbook\Stage;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

final readonly class StripController
{
    #[OA\Get(
        path: '/jobs/{job}/strip',
        operationId: 'showStrip',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(response: 200, description: 'the strip-down list and how far it is put back', content: new OA\JsonContent(ref: StripPage::class)),
        ],
    )]
    public function show(Job $job): JsonResponse
    {
        $list = Rebuild::of($job);
        $profile = $job->profile();

        return new JsonResponse(new StripPage(
            JobController::card($job->id),
            array_map(
                static fn (string $id, TakenOut $item): StripRow => new StripRow(
                    $id,
                    $item->what,
                    $item->sentence(''),
                    Fixing::words($item->fixings),
                    $list->ticked($id),
                ),
                array_keys($list->items),
                $list->items,
            ),
            $list->open(),
            array_map(static fn (Connector $it): string => $it->words(), $profile->connectors),
            array_map(static fn (Caution $caution): string => $caution->words(), $profile->cautionsAt(Stage::StripDown)),
        ));
    }
}
