<?php

declare(strict_types=1);

namespace App\Isolation;

use App\Logbook\Job;
use App\Logbook\SheetDocument;
use App\Logbook\StandingOfJob;
use Ash\Facts\Answered;
use Ash\Facts\Facts;
use Ash\Isolation\Advice;
use Ash\Isolation\LibrarySymptom;
use Ash\Isolation\SwapRecord;
use Ash\Isolation\SwapTried;
use Ash\Isolation\SymptomChosen;
use Ash\Isolation\TestDone;
use Ash\Isolation\Weighed;

/** What a job has tried to find its fault: the symptom it is about, tests of the library, runs of swaps. */
final readonly class FindOfJob
{
    /** What every bench has, and needs nobody's leave. */
    private const ALWAYS = ['off', 'meter'];

    /**
     * @param array<string, string>                  $made     outcome by test, behind a NUL
     * @param array<string, array{string, Answered}> $answered the same of what rooms have found out
     * @param list<SwapTried>                        $runs     in time order
     */
    private function __construct(public ?LibrarySymptom $symptom, private array $made, public array $answered, public array $runs, public bool $powered)
    {
    }

    /** @param Facts $known of the rooms before */
    public static function of(Job $job, Facts $known): self
    {
        $chosen = null;
        $results = $runs = [];
        foreach (StandingOfJob::here()->of($job->id, ...self::kinds()) as $entry) {
            $data = $entry->data;
            if ($data instanceof SymptomChosen) {
                $chosen = $data->symptom;
            } elseif ($data instanceof TestDone) {
                $results[$data->symptom]["\0{$data->test}"] = $data->outcome;
            } elseif ($data instanceof SwapTried) {
                $runs[] = $data;
            }
        }

        $symptom = $chosen === null ? null : Library::symptom($chosen);
        $made = $results[$chosen] ?? [];

        // What somebody says of a test himself counts before what a room makes of it.
        return new self($symptom, $made, array_diff_key($symptom?->answered($known->all(Answered::class)) ?? [], $made), $runs, !SheetDocument::closed($job->sheet));
    }

    /** @return list<SwapTried> in time order */
    public static function runs(Job $job): array
    {
        return self::of($job, new Facts())->runs;
    }

    /** @return list<string> */
    public static function kinds(): array
    {
        return [SymptomChosen::KIND, TestDone::KIND, SwapTried::KIND];
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

        return $this->symptom?->advice($this->results(), $have, $this->runs);
    }

    public function swaps(): ?SwapRecord
    {
        return $this->runs === [] ? null : SwapRecord::of($this->runs);
    }

    public function weighed(): ?Weighed
    {
        $advice = $this->advice();
        $suspects = [];
        foreach ($advice === null ? [] : array_slice($advice->causes, 0, 3) as $cause => $p) {
            $it = $this->symptom?->causes[$cause];
            $it === null || $suspects[] = [$it->words(), $it->shows, $p];
        }
        $swaps = $this->swaps();
        if ($advice === null && $swaps !== null) {
            foreach (array_slice($swaps->swaps->found()->diagnoses, 0, 3) as $it) {
                $it->parts === [] || $suspects[] = [implode(' and ', $it->parts), 'in every run that failed', $it->probability];
            }
        }
        $next = $advice?->next[0] ?? null;
        $test = $next === null ? null : $this->symptom?->tests["\0{$next['test']}"];

        $tells = $next !== null && $test !== null && $next['gain_bits'] > 0.0;

        return $suspects === [] ? null : new Weighed($suspects, !$tells ? null : [
            ucfirst($test->words()).'.', 'it tells most for its minutes', $test->test->minutes,
        ]);
    }
}
