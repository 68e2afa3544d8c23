<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Field\Name;
use Ash\Document\Kept;
use Ash\Logbook\EntryData;

/** What it turned out to be. Counts towards the shop's own weights once the job is closed as fixed. */
final readonly class CauseFound implements EntryData
{
    public const KIND = 'cause_found';

    public function __construct(#[Name] public string $symptom, #[Name] public string $cause, #[Kept] #[Name] public ?string $name = null)
    {
    }

    public function sentence(string $text): string
    {
        return ($this->name === null ? '' : "{$this->name}: ").'it was '.strtr($this->cause, '_', ' ');
    }
}
