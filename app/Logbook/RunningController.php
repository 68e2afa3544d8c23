<?php

declare(strict_types=1);

namespace App\Logbook;

use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/** What runs meanwhile, of every job and room: the next look first. */
final readonly class RunningController
{
    private const LISTED = 200;
    private const HOUR = 60;
    private const DAY = 1440;

    #[OA\Get(path: '/running', operationId: 'listRunning', tags: ['logbook'], responses: [
        new OA\Response(
            response: 200,
            description: 'the next look first',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: RunningCard::class)),
        ),
    ])]
    public function index(): JsonResponse
    {
        $rows = Cards::items()->leftJoin('machines', 'machines.id', '=', 'jobs.machine_id')->where('jobs.state', '<>', 'void')->whereNotNull('due')
            ->reorder('due')->orderBy('open_items.id')->limit(self::LISTED)
            ->addSelect('jobs.title', DB::raw("IF(machines.bare, 'in no machine', machines.name) AS machine"))->get();
        $now = now()->utc();

        return new JsonResponse(array_values(array_map(static function (object $it) use ($now): RunningCard {
            $row = new Row($it);
            $due = $row->text('due');

            return new RunningCard(
                Cards::item($it), $row->text('title') ?? '', $row->text('machine') ?? '',
                $due === null ? null : self::when((int) floor((strtotime("{$due} UTC") - $now->getTimestamp()) / 60)), $row->text('occupies'),
                $row->int('hands') === 1,
            );
        }, $rows->all())));
    }

    /** @param int $minutes until then; below 0 it is over */
    private static function when(int $minutes): string
    {
        $far = abs($minutes);
        $words = match (true) {
            $far < self::HOUR => "{$far} min",
            $far < self::DAY => sprintf('%d h %02d', intdiv($far, self::HOUR), $far % self::HOUR),
            default => intdiv($far, self::DAY).' days',
        };

        return $minutes < 0 ? "over by {$words}" : "in {$words}";
    }
}
