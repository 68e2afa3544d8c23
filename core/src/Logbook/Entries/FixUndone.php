<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\Kept;
use Ash\Logbook\EntryData;

/** A temporary fix undone. */
final readonly class FixUndone implements EntryData
{
    public const KIND = 'undone';

    public function __construct(#[Id] public string $hazard, #[Kept] #[Text] public string $what = '')
    {
    }

    public function sentence(string $text): string
    {
        return "Undone: {$this->what}";
    }
}
