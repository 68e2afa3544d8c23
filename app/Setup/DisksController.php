<?php

declare(strict_types=1);

namespace App\Setup;

use App\Bench\ChoiceCard;
use App\Logbook\Cards;
use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Row;
use App\Logbook\StandingOfJob;
use Ash\Quantity\Notation;
use Ash\Setup\CommonFormats;
use Ash\Setup\DescribedSetup;
use Ash\Setup\DiskCopied;
use Ash\Setup\Disks;
use Ash\Setup\DriveTried;
use Ash\Setup\DriveType;
use Ash\Setup\TryOutcome;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

final readonly class DisksController
{
    /** Disks that a page shows, the last ones. */
    private const COPIES = 100;
    private const DAMAGING = 20;

    #[OA\Get(path: '/jobs/{job}/disks', operationId: 'showDisks', tags: ['setup'], parameters: [
        new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'drives, attempts, copies', content: new OA\JsonContent(ref: DisksPage::class))])]
    public function show(Job $job): JsonResponse
    {
        $types = $job->profile()->section(DescribedSetup::class)->types ?? [];

        return new JsonResponse(new DisksPage(
            job_id: $job->id,
            job_label: $job->label(),
            job_title: $job->title,
            open: $job->state === 'open',
            drives: self::drives($job, $types),
            session: self::session($job),
            copies: self::copies($job),
            damaging: self::damaging($job),
            formats: array_map(static fn (array $it): DiskFormatCard => new DiskFormatCard(...$it), CommonFormats::all()),
            outcomes: array_map(static fn (TryOutcome $it): ChoiceCard => new ChoiceCard($it->value, $it->words()), TryOutcome::cases()),
            drive_types: count($types),
        ));
    }

    /**
     * @param list<DriveType> $types
     *
     * @return list<DriveCard>
     */
    private static function drives(Job $job, array $types): array
    {
        $disks = SetupRoom::disks($job);
        if ($disks === null) {
            return [];
        }
        $entries = [];
        foreach (StandingOfJob::here()->of($job->id, DriveTried::KIND) as $entry) {
            $entries[mb_strtolower((string) $entry->as(DriveTried::class)?->drive)][] = $entry;
        }
        $cards = [];
        foreach (array_keys($disks->drives + $disks->tries) as $key) {
            $drive = $disks->drives[$key] ?? null;
            $cards[] = new DriveCard(
                $drive->name ?? $disks->tries[$key][0]->drive,
                $drive?->sentence(''),
                $drive?->geometry($types)->reasons() ?? [],
                array_map(static fn (Entry $it): DriveTryCard => self::attempt($it, $disks), $entries[$key] ?? []),
            );
        }

        return $cards;
    }

    private static function attempt(Entry $entry, Disks $disks): DriveTryCard
    {
        $it = $entry->as(DriveTried::class) ?? throw new \LogicException('an attempt is one');

        return new DriveTryCard(
            entry_id: $entry->id, at: Cards::time($entry->at->utc()->format('Y-m-d H:i:s.v')), way: $it->way, outcome: $it->outcome->value,
            outcome_words: $it->outcome->words(), mb: $it->mb === null ? null : Notation::plain($it->mb, 6),
            kb_s: $it->kbS === null ? null : Notation::plain($it->kbS, 4), bad: $it->bad, best: in_array($it, $disks->best(), false),
        );
    }

    private static function session(Job $job): ?string
    {
        $row = new Row(DB::table('disk_copies')->where('job_id', $job->id)
            ->selectRaw('COUNT(*) AS copied, COALESCE(SUM(bad > 0), 0) AS bad, COALESCE(SUM(aside), 0) AS aside, MAX(IF(cleaned, at, NULL)) AS cleaned')
            ->first() ?? new \stdClass());
        $since = DB::table('disk_copies')->where('job_id', $job->id);
        $row->text('cleaned') === null || $since->where('at', '>=', $row->string('cleaned'));

        return Disks::session($row->int('copied'), $row->int('bad'), $row->int('aside'), $since->count());
    }

    /** @return list<DiskCopyCard> the last ones, in time order */
    private static function copies(Job $job): array
    {
        $ids = DB::table('disk_copies')->where('job_id', $job->id)->orderByDesc('at')->orderByDesc('id')->limit(self::COPIES)->pluck('id');
        $cards = [];
        foreach (Entry::query()->whereIn('id', $ids)->orderBy('at')->orderBy('id')->get() as $entry) {
            $it = $entry->as(DiskCopied::class);
            $it === null || $cards[] = new DiskCopyCard(
                entry_id: $entry->id, at: Cards::time($entry->at->utc()->format('Y-m-d H:i:s.v')), disk: $it->disk, image: $it->image, drive: $it->drive,
                tries: $it->tries, bad: $it->bad, cleaned: $it->cleaned === true, aside: $it->aside === true,
            );
        }

        return $cards;
    }

    /** @return list<DamagingCard> */
    private static function damaging(Job $job): array
    {
        $rows = DB::table('open_items')->join('damaging_drives', 'damaging_drives.id', '=', 'open_items.id')->where('open_items.open', true)
            ->where('open_items.job_id', $job->id)->orderBy('open_items.since')->limit(self::DAMAGING)
            ->get(['open_items.id', 'damaging_drives.drive', 'open_items.text']);

        return array_values(array_map(static function (object $it): DamagingCard {
            $row = new Row($it);

            return new DamagingCard($row->string('id'), $row->string('drive'), $row->string('text'));
        }, $rows->all()));
    }
}
