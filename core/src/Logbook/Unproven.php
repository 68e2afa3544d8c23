<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** What stands between a board and the claim that it is fixed. */
final readonly class Unproven
{
    /**
     * @param ?string $room    where to go; "line" and "close" are places of the job page
     * @param bool    $refuses the board may not go back at all; else it may, with this line as a limit
     */
    public function __construct(public string $text, public ?string $room, public bool $refuses = false)
    {
    }
}
