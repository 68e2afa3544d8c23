<?php

declare(strict_types=1);

namespace App\Isolation;

use App\Bench\ChoiceCard;
use App\Logbook\Cards;
use App\Logbook\Gathered;
use App\Logbook\Job;
use Ash\Document\Node;
use Ash\Isolation\CauseSeen;
use Ash\Isolation\Conditions;
use Ash\Isolation\ConditionTried;
use Ash\Isolation\Diagnosis;
use Ash\Isolation\NextRun;
use Ash\Isolation\SwapFitted;
use Ash\Isolation\SwapOutcome;
use Ash\Isolation\SwapPart;
use Ash\Isolation\SwapRecord;
use Ash\Isolation\SwapTried;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final readonly class IsolationController
{
    private const NEEDS = 12;
    private const COMPARED = 6;

    #[OA\Get(path: '/jobs/{job}/isolation', operationId: 'showIsolation', tags: ['isolation'], parameters: [
        new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'have', description: 'needs that are met, comma-separated', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'suspects, the next test, swaps', content: new OA\JsonContent(ref: FindPage::class))])]
    public function show(Request $request, Job $job): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('have');
        $have = array_slice(array_values(array_filter(explode(',', $query->filled('have')?->text(400) ?? ''))), 0, self::NEEDS);
        $find = FindOfJob::of($job, Gathered::facts($job, $job->profile()));

        return new JsonResponse(new FindPage(
            job_id: $job->id,
            job_label: $job->label(),
            job_title: $job->title,
            open: $job->state === 'open',
            powered: $find->powered,
            symptoms: array_map(static fn (array $it): ChoiceCard => new ChoiceCard($it[0], $it[1]), Library::names()),
            symptom: $find->symptom?->id,
            first: $find->symptom?->first,
            causes: self::causes($find, $have),
            tests: self::tests($find, $have),
            weights: self::weights($find),
            found: $find->found,
            reasons: $find->advice($have)->reasons ?? [],
            swaps: self::swaps($find),
            conditions: array_map(
                static fn (ConditionTried $it): CountedUnder => new CountedUnder($it->name, $it->failures, $it->trials, Cards::percent($it->rate())),
                $find->tried,
            ),
            compared: array_map(
                static fn (Conditions $it): TwoConditions => new TwoConditions($it->text(), $it->clue),
                array_slice($find->compared, 0, self::COMPARED),
            ),
            outcomes: array_map(static fn (SwapOutcome $it): ChoiceCard => new ChoiceCard($it->value, $it->words()), SwapOutcome::cases()),
        ));
    }

    /**
     * @param list<string> $have
     *
     * @return list<CauseRow>
     */
    private static function causes(FindOfJob $find, array $have): array
    {
        $advice = $find->advice($have);

        return $find->symptom === null || $advice === null ? [] : array_map(static fn (CauseSeen $it): CauseRow => new CauseRow(
            words: $it->cause->words(), part: $it->cause->part, shows: $it->cause->shows, probability: $it->probability,
            percent: Cards::percent($it->probability),
            id: $it->cause->id, history: self::history($find, $it), for: self::spoken($find, $it->for), against: self::spoken($find, $it->against),
            settles: $it->settles === null ? null : "{$it->settles[0]} ({$it->settles[2]} min): \"{$it->settles[1]}\" would settle it",
        ), CauseSeen::all($find->symptom, $advice, $find->results()));
    }

    /**
     * @param array<string, string> $words by test
     *
     * @return list<Spoken>
     */
    private static function spoken(FindOfJob $find, array $words): array
    {
        return array_map(
            static fn (string $test, string $said): Spoken => new Spoken(
                $said,
                $find->entries[$test] ?? null,
                isset($find->entries[$test]) ? null : $find->answered[$test][1]->room ?? null,
            ),
            array_keys($words),
            $words,
        );
    }

    private static function history(FindOfJob $find, CauseSeen $it): ?string
    {
        $alone = $find->history?->alone("\0{$it->cause->id}");

        return $alone === null || $alone[0] === 0 ? null : sprintf(
            '%d of %d closed jobs here (%s; 95 %% interval %s to %s)', $alone[0], $find->history->total,
            Cards::percent($alone[1]), Cards::percent($alone[2]), Cards::percent($alone[3]),
        );
    }

    /** How much of the weights is this shop's own. */
    private static function weights(FindOfJob $find): ?string
    {
        $history = $find->history;

        return match (true) {
            $history === null => null,
            $history->total === 0 => 'Weights and likelihoods are bench estimates of the library; no closed job of this shop has this symptom yet.',
            default => sprintf(
                '%s of the weights is this shop\'s history (%d closed %s%s), the rest and all likelihoods are bench estimates of the library.',
                Cards::percent($find->share), $history->total, $history->total === 1 ? 'job' : 'jobs',
                $history->ofKind ? ' of this kind of machine' : ' of all machines',
            ),
        };
    }

    /**
     * @param list<string> $have
     *
     * @return list<TestRow> what can be made, best first; then what is blocked; then what was made
     */
    private static function tests(FindOfJob $find, array $have): array
    {
        $advice = $find->advice($have);
        $tests = $find->symptom->tests ?? [];
        $rows = [];
        $row = static function (string $id, ?float $gain, array $needs, ?string $outcome, ?string $found = null) use ($tests, &$rows): void {
            $it = $tests["\0{$id}"];
            $rows[] = new TestRow(
                id: $id, words: $it->words(), how: $it->how, danger: $it->test->danger, minutes: $it->test->minutes,
                outcomes: array_map(static fn (string $one): ChoiceCard => new ChoiceCard($one, strtr($one, '_', ' ')), $it->test->outcomes),
                gain: $gain === null ? null : number_format($gain, 2).' bit', blocked: array_map(
                    static fn (string $need): string => strtr($need, '_', ' '),
                    array_values(array_filter($needs, is_string(...))),
                ),
                needs: array_values(array_filter($needs, is_string(...))), outcome: $outcome === null ? null : strtr($outcome, '_', ' '),
                found_by: $found,
            );
        };
        foreach ($advice->next ?? [] as $it) {
            $row($it['test'], $it['gain_bits'], [], null);
        }
        foreach ($advice->blocked ?? [] as $it) {
            $row($it['test'], null, $it['needs'], null);
        }
        foreach ($find->results() as $test => $outcome) {
            isset($tests[$test]) && $row(substr($test, 1), null, [], $outcome, isset($find->answered[$test]) ? $find->answered[$test][1]->words : null);
        }

        return $rows;
    }

    private static function swaps(FindOfJob $find): SwapsCard
    {
        $record = $find->swaps();
        if ($record === null) {
            return new SwapsCard([], [], [], [], []);
        }
        $found = $record->swaps->found();
        $changed = null;
        $good = [];
        foreach ($record->runs as $run) {
            foreach ($run->parts as $part) {
                $good["\0{$part->id}"] ??= $part->knownGood;
            }
        }

        return new SwapsCard(
            parts: array_map(static fn (SwapPart $it, float $p, bool $cleared): SwapPartCard => new SwapPartCard(
                id: $it->id,
                role: $it->role,
                probability: $p,
                percent: Cards::percent($p),
                cleared: $cleared,
                known_good: $good["\0{$it->id}"] ?? false,
                here: isset($good["\0{$it->id}"]),
            ), $record->swaps->parts, $found->probabilities, $found->cleared),
            runs: array_merge(array_map(static function (SwapTried $it) use (&$changed): SwapRunCard {
                $parts = array_map(static fn (SwapFitted $part): string => $part->id, $it->parts);
                $before = $changed;
                $changed = $parts;

                return self::run($it, $before === null ? [] : array_values(array_diff($parts, $before)), null);
            }, $record->runs), array_map(static fn (array $it): SwapRunCard => self::run($it[1], [], $it[0]), $find->elsewhere)),
            diagnoses: array_map(
                static fn (Diagnosis $it): string => $it->words($find->shares).', '.Cards::percent($it->probability),
                array_slice($found->diagnoses, 0, 5),
            ),
            // Nothing that powers the board is advised while a gate is closed.
            next: !$find->powered ? [] : self::next($record, array_values(array_filter(
                $found->next,
                static fn (NextRun $it): bool => $it->inName === null || isset($good["\0{$it->inName}"]),
            ))),
            reasons: $found->reasons,
        );
    }

    /**
     * @param list<NextRun> $runs best first; of the first it is said what each outcome would mean
     *
     * @return list<SwapNextCard>
     */
    private static function next(SwapRecord $record, array $runs): array
    {
        $after = static function (NextRun $it, bool $works) use ($record): ?string {
            $best = $record->after($it, $works);

            return $best === null ? null : $best->words().', '.Cards::percent($best->probability);
        };

        return array_map(static fn (NextRun $it, int $i): SwapNextCard => new SwapNextCard(
            change: self::change($it), parts: $it->parts, gain: number_format($it->gainBits, 2).' bit', works: Cards::percent($it->works),
            minutes: $it->minutes,
            if_works: $i === 0 ? $after($it, true) : null, if_fails: $i === 0 ? $after($it, false) : null,
        ), $runs, array_keys($runs));
    }

    /** @param list<string> $changed */
    private static function run(SwapTried $it, array $changed, ?Job $elsewhere): SwapRunCard
    {
        return new SwapRunCard(
            parts: array_map(static fn (SwapFitted $part): string => $part->id, $it->parts), changed: $changed, outcome: $it->outcome,
            outcome_words: $it->outcome->words(),
            note: implode(', ', array_filter([$it->beeps, $it->condition], is_string(...))),
            elsewhere: $elsewhere === null ? null : "{$elsewhere->label()}, {$elsewhere->title}", elsewhere_id: $elsewhere?->id,
        );
    }

    private static function change(NextRun $it): string
    {
        return match (true) {
            $it->outName === null && $it->inName === null => 'the same set again, reseated',
            $it->outName === null => "add {$it->inName}",
            $it->inName === null => "take out {$it->outName}",
            default => "swap {$it->outName} for {$it->inName}",
        };
    }
}
