<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Conflict;
use App\Http\Once;
use Ash\Logbook\Stage;

/** A machine is taken in: the job and the head that the rules write for it, in one transaction. */
final readonly class OpenJob
{
    /** Minutes a job is allowed when nobody says otherwise: a working day. */
    private const ALLOWANCE = 480;

    /** @return array{Job, bool} the job, and whether it is new: the same intake sent twice is one job */
    public static function with(Intake $it, Machine $machine): array
    {
        return Once::made(static function () use ($it, $machine): ?Job {
            $known = Job::query()->where('id', $it->id)->first();

            return $known === null || ($known->machine_id === $machine->id && $known->title === $it->title)
                ? $known
                : throw Conflict::at('/id', 'another job has this id');
        }, static function () use ($it, $machine): Job {
            $job = self::create($it, $machine);
            $job->sheet = SheetDocument::of(Gathered::sheet($job, $job->profile()));
            $job->save();

            return $job;
        });
    }

    /** A job before its first entry. */
    public static function create(Intake $it, Machine $machine): Job
    {
        return Job::query()->create([
            'id' => $it->id,
            'machine_id' => $machine->id,
            'board_id' => $it->board->id,
            'title' => $it->title,
            'owner' => $it->owner,
            'state' => 'open',
            'stage' => Stage::Intake,
            'minutes' => 0,
            'allowance_minutes' => $it->allowanceMinutes ?? self::ALLOWANCE,
            'sheet' => [],
            'opened_at' => $it->at,
            'last_entry_at' => $it->at,
        ]);
    }
}
