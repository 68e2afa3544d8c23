<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\Node;
use Ash\Logbook\Words;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final readonly class SearchController
{
    private const WORDS = 8;
    private const MACHINES = 10;

    #[OA\Get(path: '/search', operationId: 'search', tags: ['logbook'], parameters: [
        new OA\QueryParameter(name: 'for', description: 'words, designators, values; a name, serial or owner', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'before', schema: new OA\Schema(type: 'integer')),
    ], responses: [new OA\Response(response: 200, description: 'what holds it', content: new OA\JsonContent(ref: SearchPage::class))])]
    public function show(Request $request): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('for', 'before');
        $said = $query->filled('for')?->text(200) ?? '';
        $before = $query->filled('before');
        preg_match('/^\d{1,9}$/D', $before?->string() ?? '0') === 1 || $before?->refuse('is not a place in this list');
        $words = array_slice(Words::of($said), 0, self::WORDS);
        $whole = JobWords::read();
        $numbers = JobWords::jobs($words, $before === null ? null : (int) $before->string());
        $shown = array_slice($numbers, 0, JobWords::page());
        $jobs = Cards::jobCards(Cards::jobs()->whereIn('jobs.number', $shown)->where('state', '<>', 'void')->orderByDesc('jobs.number')->get());

        return new JsonResponse(new SearchPage(
            array_map(static fn (JobCard $it): FoundJob => new FoundJob($it, JobWords::entries($it->id, $words)), $jobs),
            count($numbers) > count($shown) ? $shown[count($shown) - 1] : null,
            $said === '' || $before !== null ? [] : MachineController::found($said, self::MACHINES),
            $whole,
        ));
    }
}
