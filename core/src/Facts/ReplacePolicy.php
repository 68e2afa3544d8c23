<?php

declare(strict_types=1);

namespace Ash\Facts;

/** What the bench does with a kind of capacitor on a board. */
enum ReplacePolicy: string
{
    case Bad = 'replace_bad';
    case Kind = 'replace_kind';

    public function words(): string
    {
        return match ($this) {
            self::Bad => 'replace what measures bad',
            self::Kind => 'replace the kind',
        };
    }
}
