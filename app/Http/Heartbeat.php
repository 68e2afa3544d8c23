<?php

declare(strict_types=1);

namespace App\Http;

/** A program beside the web server says that it is there. */
final readonly class Heartbeat
{
    private const SILENT_S = 30;

    public static function beat(string $program): void
    {
        @touch(storage_path("{$program}.alive"));
    }

    public static function heard(string $program): bool
    {
        clearstatcache();
        $at = @filemtime(storage_path("{$program}.alive"));

        return $at !== false && time() - $at < self::SILENT_S;
    }
}
