<?php

declare(strict_types=1);

namespace App\Http;

use Ash\Document\InvalidDocument;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;

/**
 * What a client may send twice at once: it is made once, and both are answered with it. Whoever loses the race at a unique key finds what
 * the other one made; whoever loses a deadlock tries again, the way entries do.
 */
final readonly class Once
{
    /** Of a transaction that loses a deadlock. */
    public const TRIES = 5;

    /**
     * @template T of object
     *
     * @param \Closure(): ?T $find what was made before; refuses what has the same identifier and is something else
     * @param \Closure(): T  $make in a transaction of its own
     *
     * @return array{T, bool} and whether it is new
     */
    public static function made(\Closure $find, \Closure $make): array
    {
        $known = $find();
        if ($known !== null) {
            return [$known, false];
        }
        try {
            return [self::transaction($make), true];
        } catch (UniqueConstraintViolationException|InvalidDocument $lost) {
            // A name that is taken may have been taken a moment ago, by the same request.

            return [$find() ?? throw $lost, false];
        }
    }

    /**
     * @template T
     *
     * @param \Closure(): T $do
     *
     * @return T
     */
    public static function transaction(\Closure $do): mixed
    {
        return DB::transaction($do, self::TRIES);
    }
}
