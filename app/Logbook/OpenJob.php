<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Conflict;
use Ash\Logbook\JobSheet;
use Ash\Logbook\Stage;
use Illuminate\Support\Facades\DB;

/** A machine is taken in: the job and the head that the rules write for it, in one transaction. */
final readonly class OpenJob
{
    /** Minutes a job is allowed when nobody says otherwise: a working day. */
    private const ALLOWANCE = 480;

    /**
     * @param array<string, mixed> $fields id, machine_id, board_id, title, owner, opened_at, last_entry_at
     *
     * @return array{Job, bool} the job, and whether it is new: the same intake sent twice is one job
     */
    public static function with(array $fields, Machine $machine): array
    {
        return DB::transaction(static function () use ($fields, $machine): array {
            $known = Job::query()->where('id', $fields['id'])->first();
            if ($known !== null) {
                return $known->machine_id === $fields['machine_id'] && $known->title === $fields['title'] ? [$known, false] : throw Conflict::at('/id', 'another job has this id');
            }
            $job = Job::query()->create([...self::defaults(), ...$fields]);
            $job->sheet = SheetDocument::of(JobSheet::of(ReadFacts::of($job, $machine->readProfile())));
            $job->save();

            return [$job, true];
        }, 3);
    }

    /** @return array<string, mixed> a job before its first entry */
    public static function defaults(): array
    {
        return ['state' => 'open', 'stage' => Stage::Intake, 'minutes' => 0, 'allowance_minutes' => self::ALLOWANCE, 'sheet' => []];
    }
}
