<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Text;
use Ash\Logbook\ColdCheck;
use Ash\Logbook\EntryData;

/** One of the cold checks was made: it is well, or what is wrong is said. */
final readonly class ColdChecked implements EntryData
{
    public const KIND = 'cold_check';

    /** @param ?string $wrong what was found; null: it is well */
    public function __construct(public ColdCheck $check, #[Text(300)] public ?string $wrong = null)
    {
    }

    public function sentence(string $text): string
    {
        return 'Cold check, '.$this->check->value.': '.($this->wrong ?? $this->check->words());
    }
}
