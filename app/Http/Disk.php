<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** Room on the disk that holds the record. Before it is full, writing is refused in words; reading, signing in and out go on. */
final readonly class Disk
{
    /** Bytes: below the first nothing is written any more, below the second the lead is told. */
    public const LEAST = 64_000_000;
    private const LOW = 2_000_000_000;

    public function handle(Request $request, \Closure $next): Response
    {
        if (!$request->isMethodSafe() && $request->is('api/*') && !$request->is('api/session') && self::free() < self::LEAST) {
            throw new HttpException(507, 'the disk is full: nothing was saved, reading goes on. Tell the lead');
        }

        /** @var Response */
        return $next($request);
    }

    public static function free(): float
    {
        $pretended = config('app.disk_free');

        return is_numeric($pretended) ? (float) $pretended : (@disk_free_space(storage_path()) ?: INF);
    }

    /** What a lead should know of it; null while there is room. */
    public static function notice(): ?string
    {
        $free = self::free();

        return match (true) {
            $free < self::LEAST => 'The disk is full: nothing is written any more. Make room, or move the data.',
            $free < self::LOW => sprintf('The disk is filling up: %.1f GB are left. Writing ends at %.2f GB.', $free / 1e9, self::LEAST / 1e9),
            default => null,
        };
    }
}
