<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Text;
use Ash\Document\Kept;
use Ash\Facts\PowerOn;
use Ash\Logbook\EntryData;
use Ash\Logbook\Gate;

/** Somebody went on past a closed gate, with a reason. */
final readonly class GatePassed implements EntryData
{
    public const KIND = 'gate';

    /** @param ?PowerOn $level how closed it was */
    public function __construct(public Gate $gate, #[Text(500)] public string $reason, #[Kept] public ?PowerOn $level = null)
    {
    }

    public function sentence(string $text): string
    {
        return "Went on past {$this->gate->words()}, because {$this->reason}";
    }
}
