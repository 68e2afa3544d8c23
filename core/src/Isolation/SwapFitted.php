<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Field\Name;

/** A part in a run of swaps. */
final readonly class SwapFitted
{
    /** @param ?string $board identifier of the board in the record that it is: what other jobs tried with it counts too */
    public function __construct(#[Name] public string $id, #[Name] public string $role, public bool $knownGood = false, #[Name] public ?string $board = null)
    {
    }
}
