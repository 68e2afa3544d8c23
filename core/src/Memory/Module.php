<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\Name;
use Ash\Document\Field\Positive;

/** A memory module. */
final readonly class Module
{
    public function __construct(#[Name] public string $name, #[Positive] public float $kib)
    {
    }
}
