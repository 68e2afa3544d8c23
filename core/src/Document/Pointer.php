<?php

declare(strict_types=1);

namespace Ash\Document;

/** JSON Pointer (RFC 6901, clause 3): "~" is written "~0" and "/" is written "~1". */
final readonly class Pointer
{
    /** @param list<string> $parts */
    public static function of(array $parts): string
    {
        return implode('', array_map(self::part(...), $parts));
    }

    public static function part(string|int $name): string
    {
        return '/'.str_replace(['~', '/'], ['~0', '~1'], (string) $name);
    }
}
