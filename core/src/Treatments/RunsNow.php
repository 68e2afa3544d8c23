<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** Something that runs, and what its end calls for. */
final readonly class RunsNow
{
    /** @param float $left minutes until its end or next look */
    public function __construct(public string $text, public float $left, public bool $hands, public ?string $occupies, public ?HandsNow $then)
    {
    }
}
