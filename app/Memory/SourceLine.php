<?php

declare(strict_types=1);

namespace App\Memory;

use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;

/** A line of a test, and what it was read as; empty for one that nobody could read. */
final readonly class SourceLine
{
    public function __construct(#[Whole(1)] public int $line, #[Text] public string $text, #[Text] public string $says = '')
    {
    }
}
