<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\Name;

/** A memory module. */
final readonly class Module
{
    public function __construct(#[Name] public string $name, #[Kib] public float $kib)
    {
    }
}
