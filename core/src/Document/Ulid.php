<?php

declare(strict_types=1);

namespace Ash\Document;

/** Identifiers that the client makes, so that sending an entry twice stores it once: 26 characters of Crockford's base 32. */
final readonly class Ulid
{
    /** As it may be handed in; it is kept in upper case. */
    public const PATTERN = '^[0-7][0-9A-HJKMNP-TV-Za-hjkmnp-tv-z]{25}$';

    public static function isOne(string $text): bool
    {
        return preg_match('/'.self::PATTERN.'/D', $text) === 1;
    }

    /** @return string of what the same request stores besides: always the same one, made at the same time */
    public static function beside(string $ulid): string
    {
        $alphabet = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
        $digest = hash('sha256', $ulid, true);
        $rest = '';
        for ($i = 0; $i < 16; ++$i) {
            $rest .= $alphabet[ord($digest[$i]) & 31];
        }

        return substr($ulid, 0, 10).$rest;
    }

    /** @return string in upper case */
    public static function read(Node $node): string
    {
        $ulid = strtoupper($node->string());

        return self::isOne($ulid) ? $ulid : $node->refuse('must be a ULID (26 characters)');
    }
}
