<?php

declare(strict_types=1);

namespace Ash\Facts;

/** What a room has found out, as a code that the library of symptoms may ask for. */
final readonly class Answered implements Fact
{
    /**
     * @param string  $finding a cause, a verdict, a grade: as the room calls it in its results
     * @param string  $words   for people, with what it was found on
     * @param ?string $under   the load state or other condition it was found under, where the room has such
     */
    public function __construct(public string $room, public string $finding, public string $words, public ?string $under = null)
    {
    }
}
