<?php

declare(strict_types=1);

namespace App\Memory;

use Ash\Document\Field\Whole;
use Ash\Memory\LineRole;

/** What a word of a line says. */
final readonly class LineMark
{
    public function __construct(#[Whole(0, 100)] public int $word, public LineRole $role)
    {
    }
}
