<?php

declare(strict_types=1);

namespace Ash\Tests\Trial;

use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Logbook\EntryData;

/** What a board smells of: an entry of the trial room. */
final readonly class Sniffed implements EntryData
{
    public const KIND = 'sniffed';

    public function __construct(#[Text] public string $of, #[Whole(1, 5)] public int $strength = 1)
    {
    }

    public function sentence(string $text): string
    {
        return "Smells of {$this->of}, {$this->strength} of 5";
    }
}
