<?php

declare(strict_types=1);

namespace App\Setup;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\OpenItem;
use App\Logbook\Room;
use App\Logbook\Row;
use App\Logbook\StandingOfJob;
use App\Logbook\Taking;
use Ash\Document\InvalidDocument;
use Ash\Facts\Facts;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;
use Ash\Setup\AssignFound;
use Ash\Setup\CableSaid;
use Ash\Setup\ChainSaid;
use Ash\Setup\DiskCopied;
use Ash\Setup\Disks;
use Ash\Setup\DriveDamages;
use Ash\Setup\DriveProven;
use Ash\Setup\DriveSaid;
use Ash\Setup\DriveTried;
use Ash\Setup\Reported;
use Ash\Setup\SettingSaid;
use Ash\Setup\SetupSheet;
use Ash\Setup\SourceWrong;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;

/** What jumpers, cables, drives and disks bring on this floor. */
final class SetupRoom extends Room
{
    private const SHEET = [SettingSaid::KIND, ChainSaid::KIND, CableSaid::KIND, Reported::KIND];
    private const DRIVES = [DriveSaid::KIND, DriveTried::KIND];
    private const REMEMBERED_S = 86_400;
    private const TIME = 'Y-m-d H:i:s.v';

    public function name(): string
    {
        return 'setup';
    }

    public function reads(): void
    {
        Route::get('jobs/{job}/setup', [SetupController::class, 'show']);
        Route::get('jobs/{job}/disks', [DisksController::class, 'show']);
    }

    public function decides(): array
    {
        return [...self::SHEET, ...self::DRIVES];
    }

    public function complete(EntryData $data, Taking $at): EntryData
    {
        if ($data instanceof DiskCopied && DamagingDrives::open($data->drive, $at->job->id) !== []) {
            throw InvalidDocument::forbidden('/data/drive', DriveDamages::refuses($data->drive));
        }
        if ($data instanceof DriveProven && DamagingDrives::open($data->drive, $at->job->id) === []) {
            throw InvalidDocument::at('/data/drive', 'is not known to damage disks');
        }

        return $data;
    }

    public function follow(Entry $entry, Job $job): void
    {
        $data = $entry->data;
        $keep = static fn (string $table, array $more): int => DB::table($table)->insertOrIgnore(['id' => $entry->id, 'job_id' => $job->id] + $more);
        if ($data instanceof DiskCopied) {
            $keep('disk_copies', [
                'at' => $entry->at->utc()->format(self::TIME), 'bad' => $data->bad, 'aside' => $data->aside === true, 'cleaned' => $data->cleaned === true,
            ]);
        }
        if ($data instanceof DriveDamages) {
            OpenItem::begin($entry, DriveDamages::OPEN, $data->sentence(''));
            $keep('damaging_drives', ['drive' => mb_substr($data->drive, 0, 120), 'ours' => $data->ours === true]);
        }
        if ($data instanceof DriveProven && $data->passed) {
            foreach (DamagingDrives::open($data->drive, $job->id) as $id) {
                OpenItem::end($id, $entry);
            }
        }
        if ($data instanceof SourceWrong) {
            $keep('wrong_sources', ['setting' => self::setting($data->key()), 'words' => mb_substr("{$data->says}; {$data->is}", 0, 500)]);
        }
    }

    public function withdraw(Entry $entry, Entry $by, Job $job): void
    {
        $entry->kind === DriveProven::KIND && OpenItem::reopen($entry);
        $table = [DiskCopied::KIND => 'disk_copies', SourceWrong::KIND => 'wrong_sources', DriveDamages::KIND => 'damaging_drives'][$entry->kind] ?? null;
        if ($table !== null) {
            DB::table($table)->where('id', $entry->id)->delete();
        }
    }

    public function facts(Job $job, Profile $profile, Facts $known): array
    {
        $sheet = self::sheet($job);
        $disks = self::disks($job);

        return [...($sheet === null ? [] : [$sheet, ...$sheet->answers(), ...$sheet->shares()]), ...($disks === null ? [] : [$disks])];
    }

    public static function sheet(Job $job): ?SetupSheet
    {
        // What was searched for a job's sheet is found again as long as the sheet is the same.
        return SetupSheet::of(self::said($job, self::SHEET), static function (string $document) use ($job): AssignFound {
            $key = "setup {$job->id}";
            $hash = hash('sha256', $document);
            $known = Cache::get($key);
            $found = is_array($known) && ($known[0] ?? null) === $hash && is_string($known[1] ?? null)
                ? unserialize($known[1], ['allowed_classes' => [AssignFound::class]])
                : null;
            if (!$found instanceof AssignFound) {
                $found = SetupSheet::search($document);
                Cache::put($key, [$hash, serialize($found)], self::REMEMBERED_S);
            }

            return $found;
        });
    }

    public static function disks(Job $job): ?Disks
    {
        return Disks::of(self::said($job, self::DRIVES));
    }

    /**
     * @param list<string> $kinds
     *
     * @return list<EntryData>
     */
    private static function said(Job $job, array $kinds): array
    {
        return array_values(StandingOfJob::here()->of($job->id, ...$kinds)->map(static fn (Entry $it): EntryData => $it->data)->all());
    }

    /**
     * What proved wrong about settings, on this job and on others.
     *
     * @param list<string> $keys of settings
     *
     * @return array<string, list<string>> words by key
     */
    public static function wrong(array $keys): array
    {
        $wrong = [];
        $names = array_combine(array_map(self::setting(...), $keys), $keys);
        $rows = $names === [] ? [] : DB::table('wrong_sources')->join('jobs', 'jobs.id', '=', 'wrong_sources.job_id')
            ->whereIn('wrong_sources.setting', array_keys($names))->orderByDesc('wrong_sources.id')->limit(200)
            ->get(['wrong_sources.setting', 'wrong_sources.words', 'jobs.number']);
        foreach ($rows as $row) {
            $it = new Row($row);
            // The database takes letters with marks for those without: what it found besides is of another setting.
            $key = $names[$it->string('setting')] ?? null;
            $key === null || $wrong[$key][] = sprintf('%s (J-%04d)', $it->string('words'), $it->int('number'));
        }

        return $wrong;
    }

    /** A setting's key as the table holds it. */
    private static function setting(string $key): string
    {
        return mb_substr(strtr($key, "\0", ' '), 0, 130);
    }
}
