<?php

declare(strict_types=1);

namespace App\Corrosion;

use App\Batteries\CompleteBattery;
use App\Bench\ChoiceCard;
use App\Bench\StripCard;
use App\Logbook\Board;
use App\Logbook\Cards;
use App\Logbook\Entry;
use App\Logbook\Job;
use Ash\Batteries\BatteryNote;
use Ash\Batteries\BatteryState;
use Ash\Batteries\Chemistry;
use Ash\Corrosion\Carries;
use Ash\Corrosion\CleaningPlan;
use Ash\Corrosion\Continuity;
use Ash\Corrosion\ContinuityRead;
use Ash\Corrosion\CorrosionRoom;
use Ash\Corrosion\ForbidsWater;
use Ash\Corrosion\Holds;
use Ash\Corrosion\SurveyPlace;
use Ash\Document\InvalidDocument;
use Ash\Facts\Substance;
use Ash\Logbook\Caution;
use Ash\Logbook\Stage;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** The leak survey of a job as it is handed out. */
final readonly class SurveyOfJob
{
    /**
     * @param array<string, SurveyPlace> $places   by entry, worst first
     * @param array<string, Entry>       $readings the one that stands, by the place's first entry
     * @param array<string, string>      $first    a place that was corrected is the same place: the first entry of each, by entry
     */
    private function __construct(private Job $job, private array $places, private array $readings, private array $first)
    {
    }

    /** @param Job $job as it is about the board at hand: a leak is a board's own */
    public static function of(Job $job): self
    {
        $places = $readings = [];
        $first = self::firsts($job);
        $entries = Entry::standing(SurveyPlace::KIND, ContinuityRead::KIND)->where('job_id', $job->id)->orderBy('at')->orderBy('id')->get();
        foreach ($entries as $entry) {
            if (strcasecmp((string) $entry->board_id, $job->board_id) !== 0) {
                continue;
            }
            $data = $entry->data;
            if ($data instanceof SurveyPlace) {
                $places[$entry->id] = $data;
            } elseif ($data instanceof ContinuityRead) {
                $readings[$first[$data->place] ?? ''] = $entry;
            }
        }

        return new self($job, SurveyPlace::ordered($places), $readings, $first);
    }

    /**
     * @param ?list<ForbidsWater>    $onBoard what the board carries that forbids a bath; null: nobody has said
     * @param list<Substance|string> $also    further substances that the bench means to use
     */
    public function page(?array $onBoard, array $also): CorrosionPage
    {
        $chemistry = $this->chemistry();
        [$plan, $refused] = $this->plan($chemistry, $onBoard, $also);
        $profile = $this->job->profile();

        return new CorrosionPage(
            job: Cards::job(Cards::jobs()->where('jobs.id', $this->job->id)->first() ?? abort(404)),
            board: Board::query()->findOrFail($this->job->board_id)->name,
            places: array_map($this->card(...), array_keys($this->places), $this->places),
            carrying: array_keys(array_filter($this->places, static fn (SurveyPlace $it): bool => $it->carries !== Carries::Nothing)),
            chemistry: $chemistry?->words(),
            plan: array_map(static fn (array $step): PlanStep => new PlanStep($step['step'], $step['text'], $step['caution']), $plan->steps ?? []),
            school: $plan->school ?? '',
            drying: $plan->drying ?? '',
            told: $plan->told ?? [],
            substances: ChoiceCard::all(Substance::class),
            refused: $refused,
            holds: array_column(Holds::cases(), 'value'),
            carries: array_column(Carries::cases(), 'value'),
            grades: SurveyPlace::GRADES,
            forbids: array_column(ForbidsWater::cases(), 'value'),
            chemistries: ChoiceCard::all(Chemistry::class),
            repairs: Cards::itemCards(Cards::items()->where('open_items.job_id', $this->job->id)->where('kind', CorrosionRoom::REPAIR)),
            cautions: array_map(static fn (Caution $it): string => $it->words(), $profile->cautionsAt(Stage::Battery)),
        );
    }

    /** @return array<string, string> */
    private static function firsts(Job $job): array
    {
        $first = [];
        $entries = Entry::query()->where('job_id', $job->id)->where('kind', SurveyPlace::KIND)->orderBy('received_at')->orderBy('at')->orderBy('id');
        foreach ($entries->get(['id', 'corrects_id']) as $entry) {
            $first[$entry->id] = $first[$entry->corrects_id ?? ''] ?? $entry->id;
        }

        return $first;
    }

    private function chemistry(): ?Chemistry
    {
        foreach (CompleteBattery::notes($this->job) as $entry) {
            $note = $entry->as(BatteryNote::class);
            if ($note?->chemistry !== null && $note->state !== BatteryState::Fitted) {
                return $note->chemistry;
            }
        }

        return null;
    }

    /**
     * @param ?list<ForbidsWater>    $onBoard
     * @param list<Substance|string> $also
     *
     * @return array{?CleaningPlan, ?string} the plan, or why there is none
     */
    private function plan(?Chemistry $chemistry, ?array $onBoard, array $also): array
    {
        if ($chemistry === null) {
            return [null, 'Record the battery with its chemistry first: what neutralises one leak feeds another.'];
        }
        try {
            return [CleaningPlan::for($chemistry, array_values($this->places), $onBoard, $also), null];
        } catch (InvalidDocument $fault) {
            return [null, ucfirst($fault->detail).'.'];
        }
    }

    private function card(string $id, SurveyPlace $place): PlaceCard
    {
        $entry = $this->readings[$this->first[$id] ?? ''] ?? null;
        $reading = $entry?->as(ContinuityRead::class);
        $expected = $reading->expectedOhm ?? 0.0;
        $net = $reading === null ? null : ($reading->netOhm ?? INF);

        return new PlaceCard(
            id: $id,
            place: $place->place,
            grade: $place->grade,
            says: $place->sentence(''),
            limits: $place->graded().($expected > 0 ? ', expected '.Notation::print($expected, Unit::Ohm, 3) : ''),
            value: $net === null ? null : (is_finite($net) ? Notation::print($net, Unit::Ohm, 3) : 'open'),
            verdict: $reading?->verdict,
            reasons: [...$reading->reasons ?? [], ...$reading->wireSays ?? []],
            entry_id: $entry?->id,
            strip: StripCard::of(Continuity::strip($net, $place->amps, $place->trace)),
        );
    }
}
