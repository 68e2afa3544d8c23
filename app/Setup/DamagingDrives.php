<?php

declare(strict_types=1);

namespace App\Setup;

use App\Logbook\Row;
use Illuminate\Support\Facades\DB;

/** Drives that damage disks and have not been proven since: those of a job, and those of the bench. */
final readonly class DamagingDrives
{
    /** @return list<string> the entries that said so of a drive, locked */
    public static function open(string $drive, string $job): array
    {
        $rows = DB::table('damaging_drives')->join('open_items', 'open_items.id', '=', 'damaging_drives.id')
            ->where('damaging_drives.drive', mb_substr($drive, 0, 120))->where('open_items.open', true)
            ->where(static fn ($query) => $query->where('damaging_drives.ours', true)->orWhere('damaging_drives.job_id', $job))
            ->lockForUpdate()->get('damaging_drives.id');

        return array_values(array_map(static fn (object $it): string => (new Row($it))->string('id'), $rows->all()));
    }
}
