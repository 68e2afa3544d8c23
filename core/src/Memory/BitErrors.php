<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\Name;
use Ash\Document\Field\Whole;

/** Errors that were seen on one bit of a bank. */
final readonly class BitErrors
{
    public function __construct(#[Name] public string $bank, #[BitName] public int|string $bit, #[Whole(0)] public int $errors)
    {
    }
}
