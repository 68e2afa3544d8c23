<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** What a line may speak about: the description of the machine at hand, and what is known of the board. */
final readonly class LineFacts
{
    /** @param list<string> $names of parts on the board at hand */
    public function __construct(public ?Profile $profile = null, public array $names = [])
    {
    }
}
