<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\Kept;
use Ash\Logbook\EntryData;

/** What a job waited for has come. */
final readonly class Arrived implements EntryData
{
    public const KIND = 'arrived';

    public function __construct(#[Id] public string $waiting, #[Kept] #[Text] public string $what = '')
    {
    }

    public function sentence(string $text): string
    {
        return "Arrived: {$this->what}";
    }
}
