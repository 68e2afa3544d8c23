<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Field\Name;
use Ash\Document\Field\Text;
use Ash\Document\Kept;
use Ash\Logbook\EntryData;

/** Which symptom of the library a job is about. */
final readonly class SymptomChosen implements EntryData
{
    public const KIND = 'symptom_chosen';

    public function __construct(#[Name] public string $symptom, #[Kept] #[Text(120)] public string $name = '')
    {
    }

    public function sentence(string $text): string
    {
        return $this->name === '' ? strtr($this->symptom, '_', ' ') : $this->name;
    }
}
