<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\Kept;
use Ash\Logbook\EntryData;

/** A step of a treatment that is over; its vessel is emptied and rinsed. */
final readonly class StepDone implements EntryData
{
    public const KIND = 'treatment_done';

    /** @param string $begun the entry with which it began */
    public function __construct(#[Id] public string $begun, #[Kept] #[Text(600)] public ?string $what = null)
    {
    }

    public function sentence(string $text): string
    {
        return 'Done: '.($this->what ?? '');
    }
}
