<?php

declare(strict_types=1);

namespace Tests\Trial;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\OpenItem;
use App\Logbook\ReportOf;
use App\Logbook\ReportTable;
use App\Logbook\Room;
use App\Logbook\Taking;
use Ash\Document\InvalidDocument;
use Ash\Document\Shape;
use Ash\Facts\Facts;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;
use Ash\Tests\Trial\Smell;
use Ash\Tests\Trial\Sniffed;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Route;

/** The trial room on this floor. */
final class TrialRoom extends Room
{
    public function name(): string
    {
        return 'trial';
    }

    public function reads(): void
    {
        Route::get('jobs/{job}/smells', static fn (string $job): JsonResponse => new JsonResponse(
            Entry::standing(Sniffed::KIND)->where('job_id', $job)->get()->map(static fn (Entry $it): string => $it->says()),
        ));
    }

    public function complete(EntryData $data, Taking $at): EntryData
    {
        if (!$data instanceof Sniffed) {
            return $data;
        }
        $data->of !== 'roses' || throw InvalidDocument::at('/data/of', 'no board smells of roses');

        return $data->of === 'sulphur' ? Shape::of(Sniffed::class)->with($data, ['strength' => 5]) : $data;
    }

    public function follow(Entry $entry, Job $job): void
    {
        $data = $entry->data;
        $data instanceof Sniffed && OpenItem::begin($entry, 'air', $data->of);
    }

    public function facts(Job $job, Profile $profile, Facts $known): array
    {
        $last = Entry::standing(Sniffed::KIND)->where('job_id', $job->id)->orderByDesc('at')->first()?->data;

        return $last instanceof Sniffed ? [new Smell($last->of, $last->strength)] : [];
    }

    public function report(ReportOf $job): array
    {
        return [new ReportTable('Smells', ['Of'], [['cells' => ['fish'], 'bad' => false]], [Sniffed::KIND])];
    }
}
