<?php

declare(strict_types=1);

namespace App\Logbook;

/** What a file that hangs on a kind is. */
enum SheetSort: string
{
    case Sheet = 'sheet';
    case Listing = 'listing';
    case Rom = 'rom';

    public function words(): string
    {
        return match ($this) {
            self::Sheet => 'sheet',
            self::Listing => 'listing',
            self::Rom => 'ROM dump',
        };
    }
}
