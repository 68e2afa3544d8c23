<?php

declare(strict_types=1);

namespace App\Rails;

use App\Instruments\Meter;
use App\Logbook\Entry;
use App\Logbook\Exchange;
use App\Logbook\Gathered;
use App\Logbook\Job;
use App\Logbook\ReportOf;
use App\Logbook\ReportTable;
use App\Logbook\Room;
use App\Logbook\Taking;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Document\Ulid;
use Ash\Facts\Band;
use Ash\Facts\Facts;
use Ash\Logbook\Entries\Decision;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\AskedBack;
use Ash\Rails\DescribedRails;
use Ash\Rails\GoodBoard;
use Ash\Rails\GoodOhm;
use Ash\Rails\JudgedReading;
use Ash\Rails\Limits;
use Ash\Rails\Load;
use Ash\Rails\MeterAccuracy;
use Ash\Rails\PointNamed;
use Ash\Rails\RailsJudged;
use Ash\Rails\ReadingSaid;
use Ash\Rails\ReadingTaken;
use Illuminate\Support\Facades\Route;

/** What supply rails bring on this floor. */
final class RailsRoom extends Room
{
    public function name(): string
    {
        return 'rails';
    }

    public function reads(): void
    {
        Route::get('jobs/{job}/rail-runs', [RunController::class, 'index']);
        Route::get('rail-runs/{run}', [RunController::class, 'show']);
        Route::get('machines/{machine}/rails', [RailsController::class, 'machine']);
        Route::get('boards/{board}/rail-places', [RailsController::class, 'places']);
        Route::get('boards/{board}/series', [RailsController::class, 'series']);
        Route::get('rails/discharge', [ToolController::class, 'discharge']);
        Route::get('rails/families', [ToolController::class, 'families']);
        Route::get('rails/label', [ToolController::class, 'label']);
        Route::get('rails/level', [ToolController::class, 'level']);
    }

    public function records(): void
    {
        Route::post('jobs/{job}/rail-runs', [RunController::class, 'store']);
        Route::post('rail-runs/{run}/take', [RunController::class, 'take']);
    }

    public function pages(): void
    {
        Route::get('boards/{board}/readings.csv', [RailsController::class, 'csv']);
    }

    public function complete(EntryData $data, Taking $at): EntryData
    {
        if ($data instanceof Decision && $data->rail !== null && $at->profile->section(DescribedRails::class)?->rail($data->rail) === null) {
            throw InvalidDocument::at('/data/rail', "the machine's profile has no rail \"{$data->rail}\"");
        }

        return match (true) {
            $data instanceof ReadingSaid => self::judged(self::said($data, $at), $at),
            $data instanceof ReadingTaken => self::judged($data, $at),
            $data instanceof GoodBoard => self::good($data, $at),
            $data instanceof PointNamed => self::along($data, $at),
            default => $data,
        };
    }

    public function boardOf(EntryData $data, Taking $at): ?string
    {
        return $data instanceof ReadingTaken || $data instanceof GoodBoard ? self::run($data->run, $at)->board_id : null;
    }

    private static function run(string $id, Taking $at): Run
    {
        return $at->once(
            Run::class,
            $id,
            static fn (): Run => Run::query()->where('job_id', $at->job->id)->find($id) ?? throw InvalidDocument::at('/data/run', 'is not a run of this job'),
        );
    }

    public function taken(Entry $entry, Taking $at): void
    {
        $reading = $entry->as(ReadingTaken::class);
        if ($reading !== null) {
            $point = $at->profile->section(DescribedRails::class)?->testPoint($reading->rail, $reading->testPoint)?->point;
            StoredReading::lay($entry, $reading, (string) $entry->board_id, self::meter($reading->meter, $at)[0], $point);
        }
    }

    public function withdraw(Entry $entry, Entry $by, Job $job): void
    {
        if ($entry->kind === ReadingTaken::KIND) {
            StoredReading::query()->where('entry_id', $entry->id)->update(['superseded' => true]);
        }
    }

    public function facts(Job $job, Profile $profile, Facts $known): array
    {
        $readings = RunState::latest($job->id);
        $last = $readings->last();

        if ($last === null) {
            return [];
        }
        $judged = new RailsJudged(RunState::judged($readings, RunState::rails($profile, $known)), $last->at);

        return [$judged, ...$judged->answers()];
    }

    public function report(ReportOf $job): array
    {
        $rows = [];
        foreach ($job->kind(ReadingTaken::KIND) as $entry) {
            $it = $entry->as(ReadingTaken::class);
            if ($it !== null) {
                $rows[] = ['cells' => self::cells($entry, $it), 'bad' => !($it->verdict?->good() ?? $it->volts === null)];
            }
        }
        $columns = ['When', 'Rail and point', 'Load', 'Reading', 'Ripple', 'Limits (band)', 'Verdict'];

        return [new ReportTable('Measurements', $columns, $rows, [ReadingTaken::KIND])];
    }

    public function exchange(): Exchange
    {
        return new RunExchange();
    }

    /** A reading said in a line belongs to the job's last run, or begins one; place and load are those of the reading before. */
    private static function said(ReadingSaid $data, Taking $at): ReadingTaken
    {
        $points = $at->profile->section(DescribedRails::class)->testPoints["\0{$data->rail}"]
            ?? throw InvalidDocument::at('/data/rail', "\"{$data->rail}\" is not known on this board: say what the supply gives (rails +5 6A, +12 1.5A)");
        $board = $at->draft->board ?? $at->job->board_id;
        $run = Run::query()->where('job_id', $at->job->id)->where('board_id', $board)->where('room', 'rails')->where('imported', false)
            ->orderByDesc('started_at')->orderByDesc('id')->first()
            ?? Run::query()->create([
                'id' => Ulid::beside($at->draft->id), 'job_id' => $at->job->id, 'board_id' => $board, 'room' => 'rails', 'started_at' => now(),
                'author' => $at->who->name,
            ]);
        $load = $data->load ?? ($data->volts === null ? Load::None : RunState::read($run, $at->profile, new Facts())->load())
            ?? throw InvalidDocument::at('/data/load', 'is not said: write loaded, partial or unloaded at its end');

        return Shape::of(ReadingTaken::class)->read(
            Node::of((object) [...$data->fields($data->testPoint ?? $points[0]->name, $load), 'run' => $run->id], '/data'),
        );
    }

    private static function judged(ReadingTaken $data, Taking $at): ReadingTaken
    {
        self::run($data->run, $at);
        $described = $at->profile->section(DescribedRails::class);
        $bands = Gathered::of($at->job->id)->own();
        $rail = $described?->within($bands)["\0{$data->rail}"]
            ?? throw InvalidDocument::at('/data/rail', "the machine's profile has no rail \"{$data->rail}\"");
        $point = $described->testPoint($data->rail, $data->testPoint)
            ?? throw InvalidDocument::at('/data/test_point', "rail {$data->rail} has no test point \"{$data->testPoint}\"");
        [$meter, $name] = self::meter($data->meter, $at);
        $judged = JudgedReading::judge($rail, $data->reading($point->point), $meter);
        $asked = $data->sure === true ? null : AskedBack::about($judged, $described->within($bands));
        $asked === null || throw InvalidDocument::at('/data/sure', "{$asked->question}. Say that you are sure, or read it again");

        return $data->judged($judged, DescribedRails::band($bands, $rail->name)->band ?? Band::Tight, $name);
    }

    private static function along(PointNamed $data, Taking $at): PointNamed
    {
        $at->profile->section(DescribedRails::class)?->rail($data->rail) ?? throw InvalidDocument::at(
            '/data/rail',
            "nobody has said that there is a rail \"{$data->rail}\"",
        );

        return $data;
    }

    private static function good(GoodBoard $data, Taking $at): GoodBoard
    {
        $run = self::run($data->run, $at);
        $ohms = RunState::read($run, $at->profile, new Facts())->ohms();
        if ($ohms === []) {
            throw InvalidDocument::at('/data/run', 'has no resistance to ground: read each rail with the power off first');
        }
        $good = [];
        foreach ($ohms as $rail => $places) {
            JudgedReading::isShort(min($places)) && throw InvalidDocument::at('/data/run', 'a shorted rail is no good board: '.ltrim($rail, "\0"));
            $good[] = new GoodOhm(ltrim($rail, "\0"), max($places));
        }

        return new GoodBoard($data->run, $good);
    }

    /** @return array{MeterAccuracy, string} */
    private static function meter(?string $id, Taking $at): array
    {
        if ($id === null) {
            $hand = MeterAccuracy::handHeld();

            return [$hand, "typed; hand-held meter, {$hand->words()}"];
        }
        $meter = $at->once(
            Meter::class,
            $id,
            static fn (): Meter => Meter::query()->find($id) ?? throw InvalidDocument::at('/data/meter', 'there is no such meter'),
        );

        return [$meter->accuracy(), $meter->name];
    }

    /** @return list<string> */
    private static function cells(Entry $entry, ReadingTaken $it): array
    {
        return [
            $entry->at->format('j M Y H:i'),
            "{$it->rail} at {$it->testPoint}",
            $it->load->words(),
            $it->volts !== null ? Notation::print($it->volts, Unit::Volt) : Notation::print((float) $it->ohmsToGround, Unit::Ohm).' to ground',
            $it->rippleMvpp === null ? '' : Notation::plain($it->rippleMvpp, 3).' mVpp',
            $it->limitsV === null ? '' : Limits::between($it->limitsV->low, $it->limitsV->high)->words().' ('.($it->band->value ?? '').')',
            $it->verdict?->words() ?? 'no voltage',
        ];
    }
}
