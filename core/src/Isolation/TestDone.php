<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Field\Name;
use Ash\Logbook\EntryData;

/** A test of the library was made. */
final readonly class TestDone implements EntryData
{
    public const KIND = 'test_done';

    public function __construct(#[Name] public string $symptom, #[Name] public string $test, #[Name] public string $outcome)
    {
    }

    public function sentence(string $text): string
    {
        return strtr("{$this->test}: {$this->outcome}", '_', ' ');
    }
}
