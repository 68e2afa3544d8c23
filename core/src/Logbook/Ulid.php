<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\Node;

/** Identifiers that the client makes, so that sending an entry twice stores it once: 26 characters of Crockford's base 32. */
final readonly class Ulid
{
    /** @return string in upper case */
    public static function read(Node $node): string
    {
        $ulid = strtoupper($node->string());

        return preg_match('/^[0-7][0-9A-HJKMNP-TV-Z]{25}$/D', $ulid) === 1 ? $ulid : $node->refuse('must be a ULID (26 characters)');
    }
}
