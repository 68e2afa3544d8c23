<?php

declare(strict_types=1);

namespace App\Treatments;

use App\Logbook\Cards;
use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Row;
use Ash\Logbook\Entries\Promised;
use Ash\Treatments\FitsNow;
use Ash\Treatments\HandsNow;
use Ash\Treatments\HandsStep;
use Ash\Treatments\MeansTable;
use Ash\Treatments\RunsNow;
use Ash\Treatments\StepBegun;
use Ash\Treatments\TreatmentChosen;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/** What fits now: the hands' work of the open jobs around what runs. */
final readonly class FitsNowController
{
    /** Running things and open jobs that are planned, the nearest and the latest. */
    private const RUNNING = 12;
    private const JOBS = 12;

    /** What has its time later than this is no part of today's plan. */
    private const TODAY_MINUTES = 720;

    #[OA\Get(path: '/fits-now', operationId: 'fitsNow', tags: ['treatments'], responses: [
        new OA\Response(response: 200, description: 'an order of the work around the waiting', content: new OA\JsonContent(ref: FitsNowCard::class)),
    ])]
    public function show(): JsonResponse
    {
        $now = now()->utc()->toImmutable();
        $running = self::running($now);
        $open = Job::query()->where('state', 'open')->orderByDesc('last_entry_at')->orderByDesc('id')->limit(self::JOBS)->get(['id', 'number', 'sheet']);
        $promised = self::promised($open->pluck('id')->all(), $now);
        $next = $labels = [];
        foreach ($open as $job) {
            $step = is_array($job->sheet['next'] ?? null) ? $job->sheet['next'] : [];
            $text = $step['text'] ?? null;
            $minutes = $step['minutes'] ?? null;
            $labels[$job->id] = $job->label();
            is_string($text) && $next[] = new HandsNow($text, $job->id, is_numeric($minutes) ? (float) $minutes : null, $promised[$job->id] ?? null);
        }
        // What a running step calls for is planned with it, not a second time.
        $called = array_filter(array_map(static fn (RunsNow $it): ?string => $it->then === null ? null : "{$it->then->of} {$it->then->text}", $running));
        $next = array_values(array_filter($next, static fn (HandsNow $it): bool => !in_array("{$it->of} {$it->text}", $called, true)));
        $found = FitsNow::of($running, $next);
        $more = Job::query()->whereIn(
            'id',
            array_diff(array_map(static fn (HandsStep $it): string => $it->step->of, $found->steps), array_keys($labels)),
        )->get(['id', 'number']);
        foreach ($more as $job) {
            $labels[$job->id] = $job->label();
        }

        return new JsonResponse(new FitsNowCard(array_map(static fn (HandsStep $it): HandsStepCard => new HandsStepCard(
            at: Cards::time($now->addSeconds((int) round($it->start * 60))->format('Y-m-d H:i:s.v')),
            now: $it->start < 1.0,
            text: $it->step->text,
            job_id: $it->step->of,
            job_label: $labels[$it->step->of] ?? '',
            minutes: round($it->minutes).' min'.($it->step->minutes === null ? ', assumed' : ''),
            because: $it->because,
        ), $found->steps), $found->proved, $found->reasons));
    }

    /**
     * @param array<array-key, mixed> $jobs
     *
     * @return array<string, float> minutes from now by which jobs are promised, by their id
     */
    private static function promised(array $jobs, \DateTimeImmutable $now): array
    {
        $promised = [];
        foreach (DB::table('open_items')->whereIn('job_id', $jobs)->where('open', true)->where('kind', Promised::KIND)->get(['job_id', 'due']) as $it) {
            $row = new Row($it);
            $promised[$row->string('job_id')] = (strtotime("{$row->string('due')} UTC") - $now->getTimestamp()) / 60;
        }

        return $promised;
    }

    /** @return list<RunsNow> */
    private static function running(\DateTimeImmutable $now): array
    {
        $rows = DB::table('open_items')
            ->where('open', true)
            ->whereNotNull('due')
            ->where('kind', '<>', Promised::KIND)
            ->where('due', '<', $now->modify('+'.self::TODAY_MINUTES.' minutes')->format('Y-m-d H:i:s'))
            ->orderBy('due')->limit(self::RUNNING)->get(['id', 'job_id', 'kind', 'text', 'due', 'occupies', 'hands']);
        $running = [];
        foreach ($rows as $it) {
            $row = new Row($it);
            $left = (strtotime("{$row->string('due')} UTC") - $now->getTimestamp()) / 60;
            $running[] = new RunsNow($row->string('text'), $left, $row->int('hands') === 1, $row->text('occupies'), self::then($row));
        }

        return $running;
    }

    /** What comes after a step of a treatment; for what another room runs, the look itself. */
    private static function then(Row $row): HandsNow
    {
        $begun = Entry::query()->find($row->string('id'))?->as(StepBegun::class);
        $chosen = $begun === null ? null : Entry::query()->find($begun->treatment)?->as(TreatmentChosen::class);
        $step = $chosen === null ? null : MeansTable::named($chosen->means)->steps[$begun->step] ?? null;

        return $step === null
            ? new HandsNow("look: {$row->string('text')}", $row->string('job_id'), null)
            : new HandsNow("{$chosen->part}: {$step->do}", $row->string('job_id'), $step->handsMinutes());
    }
}
