<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Field\Name;

/** A part in a run of swaps. */
final readonly class SwapFitted
{
    public function __construct(#[Name] public string $id, #[Name] public string $role, public bool $knownGood = false)
    {
    }
}
