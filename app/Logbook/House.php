<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\Hall;

/** What the rooms of this floor bring, and the hall of the core below it. */
final readonly class House
{
    /** @param list<Room> $rooms in the order in which they are asked */
    public function __construct(public Hall $hall, public array $rooms)
    {
    }

    /** The one that this process was started with. */
    public static function here(): self
    {
        return app(self::class);
    }
}
