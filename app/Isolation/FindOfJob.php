<?php

declare(strict_types=1);

namespace App\Isolation;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\SheetDocument;
use App\Logbook\StandingOfJob;
use Ash\Facts\Answered;
use Ash\Facts\CouldShare;
use Ash\Facts\Facts;
use Ash\Isolation\Advice;
use Ash\Isolation\CauseFound;
use Ash\Isolation\CauseSeen;
use Ash\Isolation\ConditionCounted;
use Ash\Isolation\Conditions;
use Ash\Isolation\ConditionTried;
use Ash\Isolation\LibrarySymptom;
use Ash\Isolation\LineOfAttack;
use Ash\Isolation\ShopHistory;
use Ash\Isolation\SwapRecord;
use Ash\Isolation\SwapTried;
use Ash\Isolation\SymptomChosen;
use Ash\Isolation\TestDone;
use Ash\Isolation\Weighed;
use Carbon\CarbonImmutable;

/** What a job has tried to find its fault: the symptom it is about, tests of the library, runs of swaps. */
final readonly class FindOfJob
{
    /** What every bench has, and needs nobody's leave. */
    private const ALWAYS = ['off', 'meter'];

    /** Entries whose minutes are added up for one line of attack. */
    private const READ = 1000;

    /** Causes that stand on the job page. */
    private const SUSPECTS = 3;

    /**
     * @param array<string, string>                                 $made      outcome by test, behind a NUL
     * @param array<string, string>                                 $entries   that say so, by test, behind a NUL
     * @param array<string, array{string, Answered}>                $answered  the same of what rooms have found out
     * @param list<SwapTried>                                       $runs      in time order
     * @param list<array{Job, SwapTried}>                           $elsewhere of other jobs with the same boards
     * @param list<array{CarbonImmutable, TestDone|SwapTried|null}> $steps     since the symptom was chosen, that first
     * @param list<ConditionTried>                                  $tried     conditions under which failures were counted
     * @param list<Conditions>                                      $compared  two by two, the least likely to be chance first
     * @param float                                                 $share     of the weights that is this shop's
     * @param ?string                                               $found     the cause that it turned out to be
     * @param list<CouldShare>                                      $shares    what two parts could both be set to take
     */
    private function __construct(
        public ?LibrarySymptom $symptom,
        private array $made,
        public array $entries,
        public array $answered,
        public array $runs,
        public array $elsewhere,
        private array $steps,
        public array $tried,
        public array $compared,
        public bool $powered,
        public ?ShopHistory $history,
        public float $share,
        public ?string $found,
        public array $shares,
    ) {
    }

    /** @param Facts $known of the rooms before */
    public static function of(Job $job, Facts $known): self
    {
        $chosen = $found = null;
        $results = $saying = $runs = $counted = $steps = [];
        foreach (StandingOfJob::here()->of($job->id, ...self::kinds()) as $entry) {
            $data = $entry->data;
            if ($data instanceof SymptomChosen) {
                $chosen = $data->symptom;
                $steps = [[$entry->at, null]];
            } elseif ($data instanceof TestDone) {
                $results[$data->symptom]["\0{$data->test}"] = $data->outcome;
                $saying[$data->symptom]["\0{$data->test}"] = $entry->id;
                $steps[] = [$entry->at, $data];
            } elseif ($data instanceof SwapTried) {
                $runs[] = $data;
                $steps[] = [$entry->at, $data];
            } elseif ($data instanceof CauseFound) {
                $found = $data;
            } elseif ($data instanceof ConditionCounted) {
                $counted[] = $data;
            }
        }

        $plain = $chosen === null ? null : Library::symptom($chosen);
        $history = $plain === null ? null : FoundCauses::history($plain->id, $job);
        $symptom = $history === null ? null : $plain->learned($history);
        $made = $results[$chosen] ?? [];

        // What somebody says of a test himself counts before what a room makes of it.
        $answered = array_diff_key($symptom?->answered($known->all(Answered::class)) ?? [], $made);

        return new self(
            $symptom, $made, $saying[$chosen] ?? [], $answered, $runs, SwapsElsewhere::of($job, $runs), $steps,
            ...ConditionCounted::compared($counted), powered: !SheetDocument::closed($job->sheet), history: $history,
            share: $history?->share($plain?->weights() ?? []) ?? 0.0, found: $found?->symptom === $chosen ? $found?->cause : null,
            shares: $known->all(CouldShare::class),
        );
    }

    /** @return list<SwapTried> in time order */
    public static function runs(Job $job): array
    {
        return self::of($job, new Facts())->runs;
    }

    /** @return list<string> */
    public static function kinds(): array
    {
        return [SymptomChosen::KIND, TestDone::KIND, SwapTried::KIND, ConditionCounted::KIND, CauseFound::KIND];
    }

    /** @return array<string, string> outcome by test, behind a NUL */
    public function results(): array
    {
        return $this->made + array_map(static fn (array $it): string => $it[0], $this->answered);
    }

    /** @param list<string> $more needs that somebody says are met */
    public function advice(array $more = []): ?Advice
    {
        $have = [...self::ALWAYS, ...($this->powered ? ['powered'] : []), ...array_diff($more, ['powered'])];

        return $this->symptom?->advice($this->results(), $have, $this->runs, $this->others());
    }

    public function swaps(): ?SwapRecord
    {
        return $this->runs === [] ? null : SwapRecord::of($this->runs, $this->others());
    }

    /** @return list<SwapTried> */
    private function others(): array
    {
        return array_map(static fn (array $it): SwapTried => $it[1], $this->elsewhere);
    }

    public function weighed(Job $job): ?Weighed
    {
        $advice = $this->advice();
        $suspects = [];
        foreach ($advice === null || $this->symptom === null
            ? []
            : array_slice(CauseSeen::all($this->symptom, $advice, $this->results()), 0, self::SUSPECTS) as $it) {
            $suspects[] = [$it->cause->words(), $it->words(), $it->probability, $it->cause->part];
        }
        $swaps = $this->swaps();
        if ($advice === null && $swaps !== null) {
            foreach (array_slice($swaps->swaps->found()->diagnoses, 0, 3) as $it) {
                $it->parts === [] && $it->pairs === [] || $suspects[] = [$it->words($this->shares), 'in every run that failed', $it->probability, null];
            }
        }
        $next = $advice?->next[0] ?? null;
        $test = $next === null ? null : $this->symptom?->tests["\0{$next['test']}"];

        $tells = $next !== null && $test !== null && $next['gain_bits'] > 0.0;

        $clues = array_map(
            static fn (Conditions $it): string => $it->text(),
            array_values(array_filter($this->compared, static fn (Conditions $it): bool => $it->clue)),
        );

        return $suspects === [] && $clues === [] ? null : new Weighed($suspects, !$tells ? null : [
            ucfirst($test->words()).'.', 'it tells most for its minutes', $test->test->minutes,
        ], array_slice($clues, 0, 3), $this->notice($job, $advice));
    }

    /** What the work since the last step forward has cost, when that is too much. */
    private function notice(Job $job, ?Advice $advice): ?string
    {
        if ($this->symptom === null || $advice === null || $this->steps === []) {
            return null;
        }
        $found = array_map(static fn (array $it): string => $it[0], $this->answered);
        $made = $runs = $stood = [];
        foreach ($this->steps as [, $step]) {
            if ($step instanceof TestDone && $step->symptom === $this->symptom->id) {
                $made["\0{$step->test}"] = $step->outcome;
            } elseif ($step instanceof SwapTried) {
                $runs[] = $step;
            }
            $stood[] = $this->symptom->posterior($made + $found, $runs);
        }
        $line = LineOfAttack::of($stood);
        $minutes = Entry::query()
            ->where('job_id', $job->id)
            ->where('at', '>', $this->steps[$line->from][0])
            ->orderBy('at')
            ->limit(self::READ)
            ->pluck('minutes')->sum();
        $causes = array_keys($advice->causes);

        return $line->notice(
            is_numeric($minutes) ? (float) $minutes : 0.0,
            isset($causes[1]) ? ($this->symptom->causes[$causes[1]] ?? null)?->words() : null,
            isset($advice->next[0]) ? strtr($advice->next[0]['test'], '_', ' ') : null,
        );
    }
}
