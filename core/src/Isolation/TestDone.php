<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Field\Name;
use Ash\Logbook\EntryData;

/** A test of the library was made. */
final readonly class TestDone implements EntryData
{
    public const KIND = 'test_done';

    /** @param ?string $condition under which it was made */
    public function __construct(
        #[Name] public string $symptom,
        #[Name] public string $test,
        #[Name] public string $outcome,
        #[Name] public ?string $condition = null,
    ) {
    }

    public function sentence(string $text): string
    {
        return strtr("{$this->test}: {$this->outcome}", '_', ' ').($this->condition === null ? '' : " ({$this->condition})");
    }
}
