<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Facts\Facts;

/** What a line may speak about: the description of the machine at hand, and what is known of the board. */
final readonly class LineFacts
{
    public function __construct(public ?Profile $profile = null, public Facts $facts = new Facts())
    {
    }
}
