<?php

declare(strict_types=1);

namespace App\Treatments;

use App\Bench\ChoiceCard;
use App\Logbook\Cards;
use App\Logbook\Job;
use App\Logbook\StandingOfJob;
use Ash\Document\Node;
use Ash\Treatments\Amounts;
use Ash\Treatments\Brightening;
use Ash\Treatments\Choose;
use Ash\Treatments\ColourCompared;
use Ash\Treatments\ColourProgress;
use Ash\Treatments\ColourRead;
use Ash\Treatments\Damage;
use Ash\Treatments\Dilutable;
use Ash\Treatments\Material;
use Ash\Treatments\Means;
use Ash\Treatments\MeansTable;
use Ash\Treatments\MeansVerdict;
use Ash\Treatments\PartFlag;
use Ash\Treatments\StepBegun;
use Ash\Treatments\TreatmentStep;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

final readonly class TreatmentsController
{
    private const VESSELS = 20;

    #[OA\Get(path: '/jobs/{job}/treatments', operationId: 'showTreatments', tags: ['treatments'], parameters: [
        new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'parts under treatment', content: new OA\JsonContent(ref: TreatmentsPage::class))])]
    public function show(Job $job): JsonResponse
    {
        $vessels = DB::table('treatment_steps')->orderByDesc('id')->limit(self::VESSELS)->pluck('vessel')->unique();

        return new JsonResponse(new TreatmentsPage(
            job_id: $job->id,
            job_label: $job->label(),
            job_title: $job->title,
            open: $job->state === 'open',
            damages: array_map(static fn (Damage $it): ChoiceCard => new ChoiceCard($it->value, $it->words()), Damage::cases()),
            materials: array_map(static fn (Material $it): ChoiceCard => new ChoiceCard($it->value, $it->words()), Material::cases()),
            flags: array_map(static fn (PartFlag $it): ChoiceCard => new ChoiceCard($it->value, $it->words()), PartFlag::cases()),
            treatments: array_map(self::treatment(...), Treated::of($job)),
            vessels: array_values(array_filter($vessels->all(), is_string(...))),
            colours: self::colours($job),
            dilutable: array_map(static fn (Dilutable $it): ChoiceCard => new ChoiceCard($it->value, strtr($it->value, '_', ' ')), Dilutable::cases()),
        ));
    }

    #[OA\Get(path: '/treatments/choices', operationId: 'chooseTreatment', tags: ['treatments'], parameters: [
        new OA\QueryParameter(name: 'damage', required: true, schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'material', required: true, schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'flags', description: 'comma-separated', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'the means, best first', content: new OA\JsonContent(ref: ChoicesPage::class))])]
    public function choices(Request $request): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('damage', 'material', 'flags');
        $flags = array_map(
            static fn (string $it): PartFlag => PartFlag::tryFrom($it) ?? $query->at('flags')->refuse("there is no \"{$it}\""),
            array_values(array_filter(explode(',', $query->filled('flags')?->text(200) ?? ''))),
        );
        $found = Choose::of($query->at('damage')->enum(Damage::class), $query->at('material')->enum(Material::class), $flags, null);

        return new JsonResponse(new ChoicesPage(array_map(static fn (array $it): MeansCard => self::means(...$it), $found->choices)));
    }

    /** @return list<PartColours> */
    private static function colours(Job $job): array
    {
        $parts = $read = $all = [];
        foreach (StandingOfJob::here()->of($job->id, ColourRead::KIND) as $entry) {
            $it = $entry->as(ColourRead::class);
            if ($it !== null) {
                $yellow = $it->found[0]->yellowness ?? null;
                $all[$it->part][] = $it;
                $parts[$it->part][] = new ColourPoint(
                    entry: $entry->id, at: Cards::time($entry->at->utc()->format('Y-m-d H:i:s.v')), picture: "/photos/{$it->photo}",
                    yellowness: $yellow === null ? null : number_format($yellow, 0), hours: $it->hours, delta: $it->delta(),
                    delta_words: number_format($it->delta(), 1), says: $it->sentence(''), reasons: $it->reasons,
                );
                $it->hours === null || $read[$it->part][] = [$it->hours, $it->delta()];
            }
        }

        return array_map(static function (string|int $part, array $points) use ($read, $all): PartColours {
            $fit = Brightening::of($read[$part] ?? []);
            $come = count($all[$part]) < 2 ? null : ColourProgress::of($all[$part][0], $all[$part][count($all[$part]) - 1]);

            return new PartColours(
                part: (string) $part, readings: $points, says: $fit->says,
                curve: array_map(static fn (array $it): CurvePlace => new CurvePlace(...$it), $fit->curve), tolerance: ColourCompared::TOLERANCE,
                progress: $come?->progress === null ? null : Cards::percent($come->progress),
                change: $come === null ? null : number_format($come->change, 1),
            );
        }, array_keys($parts), $parts);
    }

    /** @param list<string> $reasons */
    private static function means(Means $it, MeansVerdict $verdict, array $reasons): MeansCard
    {
        return new MeansCard(
            id: $it->id, words: strtr($it->id, '_', ' '), verdict: $verdict->value, verdict_words: $verdict->words(), minutes: $it->minutes,
            reach: $it->reach, risk: $it->risk, reasons: $reasons,
            steps: array_map(
                static fn (TreatmentStep $step, int $i): TreatmentStepCard => self::step($step, $i + 1, 'later', null),
                $it->steps,
                array_keys($it->steps),
            ),
        );
    }

    private static function treatment(Treated $it): TreatmentCard
    {
        $standing = $it->standing();
        $steps = [];
        foreach ($it->steps() as $i => $step) {
            $n = $i + 1;
            $steps[] = self::step($step, $n, match (true) {
                in_array($n, $it->ended, true) => 'done',
                isset($it->begun[$n]) => 'running',
                $standing->next === $n => 'next',
                default => 'later',
            }, $it);
        }

        $minutes = static fn (bool $hands): int => (int) round(array_sum(array_map(
            static fn (TreatmentStep $one): float => $one->hands === $hands ? $one->minutes : 0.0,
            $it->steps(),
        )));

        return new TreatmentCard(
            id: $it->id, part: $it->chosen->part, words: $it->chosen->sentence(''), steps: $steps, hands: $minutes(true), waiting: $minutes(false),
            bath: $it->chosen->means === MeansTable::WITH_CURRENT,
        );
    }

    private static function step(TreatmentStep $step, int $n, string $state, ?Treated $of): TreatmentStepCard
    {
        $begun = $of->begun[$n] ?? null;
        $data = $begun?->as(StepBegun::class);

        return new TreatmentStepCard(
            n: $n, do: $step->do, minutes: $step->minutes, hands: $step->hands, caution: $step->caution, state: $state, begun: $begun?->id,
            due: $data?->dueAt === null ? null : Cards::time($data->dueAt->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s.v')),
            vessel: $data?->vessel, amounts: $of === null ? [] : Amounts::of($of->chosen)[$n] ?? [],
        );
    }
}
