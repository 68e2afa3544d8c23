<?php

declare(strict_types=1);

namespace App\Treatments;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\OpenItem;
use App\Logbook\Room;
use App\Logbook\Taking;
use Ash\Document\InvalidDocument;
use Ash\Document\Shape;
use Ash\Facts\Facts;
use Ash\Facts\Substance;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;
use Ash\Treatments\ColourRead;
use Ash\Treatments\RunsAlone;
use Ash\Treatments\StepBegun;
use Ash\Treatments\StepDone;
use Ash\Treatments\TreatmentChosen;
use Ash\Treatments\TreatmentsRoom as Core;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;

/** What cleaning, brightening and mending bring on this floor. */
final class TreatmentsRoom extends Room
{
    public function name(): string
    {
        return 'treatments';
    }

    public function reads(): void
    {
        Route::get('fits-now', [FitsNowController::class, 'show']);
        Route::get('treatments/choices', [TreatmentsController::class, 'choices']);
        Route::get('jobs/{job}/treatments', [TreatmentsController::class, 'show']);
    }

    public function complete(EntryData $data, Taking $at): EntryData
    {
        if ($data instanceof StepBegun) {
            return Bench::begun($data, $at);
        }
        if ($data instanceof RunsAlone) {
            return Bench::alone($data, $at);
        }
        if ($data instanceof ColourRead) {
            return PictureColours::read($data, $at->job);
        }
        if ($data instanceof StepDone) {
            $begun = OpenItem::query()->where('kind', Core::RUNS)->where('job_id', $at->job->id)->where('open', true)->find(strtolower($data->begun));

            return Shape::of(StepDone::class)->with(
                $data,
                ['what' => $begun->text ?? throw InvalidDocument::at('/data/begun', 'is no step that runs on this job')],
            );
        }

        return $data;
    }

    public function follow(Entry $entry, Job $job): void
    {
        $data = $entry->data;
        if ($data instanceof StepBegun) {
            self::runs(
                $entry, mb_substr("{$data->part}: {$data->do}", 0, 300), (string) $data->part, $data->dueAt, $data->vessel, $data->hands ?? false,
                $data->substances,
            );
        }
        if ($data instanceof RunsAlone) {
            self::runs($entry, $data->what, mb_substr($data->what, 0, 120), $data->dueAt, $data->occupies, false, []);
        }
        $data instanceof StepDone && OpenItem::end(strtolower($data->begun), $entry);
    }

    /** @param list<Substance> $substances */
    private static function runs(Entry $entry, string $words, string $part, ?\DateTimeImmutable $due, ?string $vessel, bool $hands, array $substances): void
    {
        OpenItem::begin($entry, Core::RUNS, $words, due: $due, occupies: $vessel, hands: $hands);
        DB::table('treatment_steps')->insertOrIgnore([
            'id' => $entry->id, 'job_id' => $entry->job_id, 'vessel' => $vessel, 'part' => $part, 'author' => $entry->author,
            'substances' => json_encode(array_column($substances, 'value'), JSON_THROW_ON_ERROR),
        ]);
    }

    public function withdraw(Entry $entry, Entry $by, Job $job): void
    {
        $entry->kind === StepDone::KIND && OpenItem::reopen($entry);
    }

    public function decides(): array
    {
        return [TreatmentChosen::KIND, StepBegun::KIND, StepDone::KIND];
    }

    public function facts(Job $job, Profile $profile, Facts $known): array
    {
        return array_map(static fn (Treated $it) => $it->standing(), Treated::of($job));
    }
}
