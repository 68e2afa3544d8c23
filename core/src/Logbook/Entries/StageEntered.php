<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Logbook\EntryData;
use Ash\Logbook\Stage;

/** The work goes on at another stage. */
final readonly class StageEntered implements EntryData
{
    public const KIND = 'stage';

    public function __construct(public Stage $to)
    {
    }

    public function sentence(string $text): string
    {
        return "Stage: {$this->to->words()}";
    }
}
