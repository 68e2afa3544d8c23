<?php

declare(strict_types=1);

namespace App\Treatments;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\StandingOfJob;
use Ash\Treatments\MeansTable;
use Ash\Treatments\StepBegun;
use Ash\Treatments\StepDone;
use Ash\Treatments\TreatmentChosen;
use Ash\Treatments\TreatmentStep;
use Ash\Treatments\UnderTreatment;

/** A treatment of a job with the steps that were begun and ended. */
final readonly class Treated
{
    /**
     * @param array<int, Entry> $begun the last beginning of each step, by its number
     * @param list<int>         $ended numbers of steps that are done
     */
    private function __construct(public string $id, public TreatmentChosen $chosen, public array $begun, public array $ended)
    {
    }

    /** @return list<self> in the order in which they were chosen */
    public static function of(Job $job): array
    {
        $chosen = $begun = $number = $ended = [];
        foreach (StandingOfJob::here()->of($job->id, TreatmentChosen::KIND, StepBegun::KIND, StepDone::KIND) as $entry) {
            $data = $entry->data;
            $id = strtolower($entry->id);
            if ($data instanceof TreatmentChosen) {
                $chosen[$id] = $data;
            } elseif ($data instanceof StepBegun) {
                $begun[strtolower($data->treatment)][$data->step] = $entry;
                $number[$id] = [strtolower($data->treatment), $data->step];
            } elseif ($data instanceof StepDone && isset($number[strtolower($data->begun)])) {
                [$of, $step] = $number[strtolower($data->begun)];
                $ended[$of][] = $step;
            }
        }

        return array_map(
            static fn (string $id, TreatmentChosen $it): self => new self($id, $it, $begun[$id] ?? [], $ended[$id] ?? []),
            array_keys($chosen),
            $chosen,
        );
    }

    public function standing(): UnderTreatment
    {
        return UnderTreatment::of($this->chosen, array_keys($this->begun), $this->ended);
    }

    /** @return list<TreatmentStep> */
    public function steps(): array
    {
        return MeansTable::named($this->chosen->means)->steps ?? [];
    }
}
