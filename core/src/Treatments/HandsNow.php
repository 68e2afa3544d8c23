<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** Something that somebody could do now. */
final readonly class HandsNow
{
    /**
     * @param ?float $minutes null: nobody has said
     * @param ?float $due     minutes from now, by which its job is promised
     */
    public function __construct(public string $text, public string $of, public ?float $minutes, public ?float $due = null)
    {
    }
}
