<?php

declare(strict_types=1);

namespace App\Memory;

use Illuminate\Support\Facades\DB;

/**
 * Takes away what memory tests gave and nobody kept. What an entry of the record came from stays, also when that entry was corrected or
 * withdrawn, and what is coming in now.
 */
final readonly class Tidying
{
    /** Days after the last change. */
    public const AFTER_DAYS = 30;

    private const AT_ONCE = 200;

    /** @return int how many were taken away */
    public static function run(): int
    {
        $old = Source::query()->where('kept', false)->where('updated_at', '<', now()->subDays(self::AFTER_DAYS))
            ->where(
                static fn ($query) => $query->whereNotIn('state', Sources::active()),
            )->orderBy('updated_at')->limit(self::AT_ONCE)->get(['id', 'updated_at'])->all();
        $gone = 0;
        foreach ($old as $source) {
            // Someone may be keeping it, or reading it again, at this moment.
            $taken = DB::table('memory_sources')
                ->where('id', $source->id)
                ->where('kept', false)
                ->where('updated_at', $source->getRawOriginal('updated_at'))->delete();
            if ($taken === 1) {
                @unlink($source->file());
                ++$gone;
            }
        }

        return $gone;
    }

    /** In the transaction of the entry that keeps it. */
    public static function keep(string $source): void
    {
        DB::table('memory_sources')->where('id', $source)->update(['kept' => true]);
    }
}
