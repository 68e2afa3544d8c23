<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;

/** For a monitor: whether this installation works, and nothing of what it holds. 503 when it does not. */
final readonly class UpController
{
    public function show(): JsonResponse
    {
        try {
            $database = DB::selectOne('SELECT 1') !== null;
        } catch (\PDOException) {
            $database = false;
        }
        $disk = Disk::free();
        $works = $database && $disk >= Disk::LEAST;

        return new JsonResponse([
            'works' => $works,
            'version' => config('app.version'),
            'database' => $database,
            'captures' => Heartbeat::heard('captures'),
            'papers' => Heartbeat::heard('papers'),
            'disk_free_mb' => is_finite($disk) ? (int) ($disk / 1e6) : null,
            'disk' => $disk >= Disk::LEAST,
        ], $works ? 200 : 503);
    }
}
