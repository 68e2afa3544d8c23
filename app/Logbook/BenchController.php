<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Disk;
use App\People\Role;
use App\People\SignedIn;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/** What is on the bench now. Every list is bounded and read through an index, so the page costs the same after twenty years. */
final readonly class BenchController
{
    private const LISTED = 40;
    private const RECENT = 6;

    #[OA\Get(
        path: '/bench',
        operationId: 'showBench',
        tags: ['logbook'],
        responses: [new OA\Response(response: 200, description: 'the bench', content: new OA\JsonContent(ref: BenchPage::class))],
    )]
    public function show(Request $request): JsonResponse
    {
        $open = Cards::jobs()->where('state', 'open')->orderByDesc('last_entry_at')->orderByDesc('jobs.id')->limit(self::LISTED)->get();
        $count = $open->count() < self::LISTED ? $open->count() : DB::table('jobs')->where('state', 'open')->count();
        // What a job waited for has come: it stands first, also when it was parked.
        $back = Cards::jobs()->whereIn(
            'jobs.id',
            DB::table('open_items')->where('open', true)->where('kind', 'waiting')->whereNotNull('ready')->limit(self::LISTED)->pluck('job_id'),
        )->whereIn('state', ['open', 'parked'])->get();
        $ids = $back->pluck('id')->all();
        $open = $back->concat($open->reject(static fn (object $row): bool => in_array($row->id ?? '', $ids, true)));
        $recent = Cards::jobs()->where('state', 'closed')->orderByDesc('last_entry_at')->orderByDesc('jobs.id')->limit(self::RECENT)->get();

        return new JsonResponse(new BenchPage(
            jobs: Cards::jobCards($open),
            more_open: max(0, $count - $open->count()),
            waiting: Cards::itemCards(Cards::items()->where('kind', 'waiting')->reorder()->orderByRaw('ready IS NULL')->orderBy('since')->limit(self::LISTED)),
            hazards: Cards::itemCards(Cards::items()->where('kind', 'hazard')->limit(self::LISTED)),
            due: Cards::itemCards(Cards::items()->whereNotNull('due')->reorder('due')->limit(self::LISTED)),
            recent: Cards::jobCards($recent),
            disk: SignedIn::person($request)->role === Role::Lead ? Disk::notice() : null,
        ));
    }
}
