<?php

declare(strict_types=1);

namespace App\Setup;

use App\Logbook\Job;
use Ash\Setup\SettingSaid;
use Ash\Setup\SetupSheet;
use Ash\Setup\Takes;
use Ash\Setup\WayToStand;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

final readonly class SetupController
{
    #[OA\Get(path: '/jobs/{job}/setup', operationId: 'showSetup', tags: ['setup'], parameters: [
        new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'what is set, what clashes, the ways out', content: new OA\JsonContent(ref: SetupPage::class))])]
    public function show(Job $job): JsonResponse
    {
        $sheet = SetupRoom::sheet($job);

        return new JsonResponse(new SetupPage(
            job_id: $job->id,
            job_label: $job->label(),
            job_title: $job->title,
            open: $job->state === 'open',
            settings: array_map(self::setting(...), $sheet->settings ?? []),
            held: $sheet === null ? [] : self::held($sheet),
            clashes: $sheet?->clashes() ?? [],
            plans: array_map(static fn (array $plan): SetupPlan => new SetupPlan(array_map(static fn (array $it): SettingMove => new SettingMove(
                self::setting($it[0]),
                $it[1],
                "{$it[0]->block} of {$it[0]->device}: from {$it[0]->stands()->words()} to {$it[0]->options[$it[1]]->words()}",
            ), $plan)), $sheet?->plans() ?? []),
            reasons: $sheet->found->reasons ?? [],
            example: SettingSaid::EXAMPLE,
        ));
    }

    private static function setting(SettingSaid $it): SettingCard
    {
        return new SettingCard(
            device: $it->device, block: $it->block, takes: $it->takes->value, takes_words: $it->takes->words(),
            options: array_map(static fn (WayToStand $one): SettingWay => new SettingWay($one->value, $one->pins, $one->words()), $it->options),
            at: $it->at, length: $it->length, says: $it->sentence(''),
        );
    }

    /** @return list<SetupHeld> */
    private static function held(SetupSheet $sheet): array
    {
        $cards = [];
        foreach (Takes::cases() as $takes) {
            $held = array_values(array_filter($sheet->held(), static fn (array $it): bool => $it[0] === $takes));
            $held === [] || $cards[] = new SetupHeld(
                $takes->words(),
                array_map(static fn (array $it): string => "{$it[1]}: {$it[2]} ({$it[3]})", $held),
                array_map(strval(...), $sheet->free($takes)),
            );
        }

        return $cards;
    }
}
