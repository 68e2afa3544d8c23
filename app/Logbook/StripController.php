<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\Caution;
use Ash\Logbook\Fixing;
use Ash\Logbook\Stage;
use Ash\Logbook\StripItem;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

final readonly class StripController
{
    #[OA\Get(path: '/jobs/{job}/strip', operationId: 'showStrip', tags: ['logbook'], parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'the strip-down list and how far it is put back', content: new OA\JsonContent(ref: StripPage::class))])]
    public function show(Job $job): JsonResponse
    {
        $list = Rebuild::of($job);
        $profile = Machine::query()->findOrFail($job->machine_id)->readProfile();

        return new JsonResponse(new StripPage(
            JobController::card($job->id),
            array_map(static fn (array $row): StripRow => new StripRow($row['id'], $row['item']['what'], StripItem::words($row['item']), Fixing::words($row['item']['fixings'] ?? []), $row['ticked']), $list->rows),
            $list->open(),
            array_map(static fn (array $it): string => "{$it['name']}: {$it['orientation']}", $profile->connectors),
            array_map(static fn (Caution $caution): string => $caution->words(), $profile->cautionsAt(Stage::StripDown)),
        ));
    }
}
