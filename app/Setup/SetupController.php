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
            $job->id,
            $job->label(),
            $job->title,
            $job->state === 'open',
            array_map(self::setting(...), $sheet->settings ?? []),
            $sheet === null ? [] : self::held($sheet),
            $sheet?->clashes() ?? [],
            array_map(static fn (array $plan): SetupPlan => new SetupPlan(array_map(static fn (array $it): SettingMove => new SettingMove(
                self::setting($it[0]),
                $it[1],
                "{$it[0]->block} of {$it[0]->device}: from {$it[0]->stands()->words()} to {$it[0]->options[$it[1]]->words()}",
            ), $plan)), $sheet?->plans() ?? []),
            $sheet->found->reasons ?? [],
            SettingSaid::EXAMPLE,
        ));
    }

    private static function setting(SettingSaid $it): SettingCard
    {
        return new SettingCard(
            $it->device, $it->block, $it->takes->value, $it->takes->words(),
            array_map(static fn (WayToStand $one): SettingWay => new SettingWay($one->value, $one->pins, $one->words()), $it->options),
            $it->at, $it->length, $it->sentence(''),
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
