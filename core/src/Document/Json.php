<?php

declare(strict_types=1);

namespace Ash\Document;

/**
 * Strict JSON (RFC 8259): what json_decode() takes, less the member that is given twice.
 *
 * json_decode() keeps the last of two members with one name and says nothing, which for a
 * measurement means that one of two different numbers silently wins.
 */
final readonly class Json
{
    private const DEPTH = 64;
    /** A document: 8 MiB, and so many values, before anything is made of them. */
    private const BYTES = 8 * 1024 ** 2;
    private const VALUES = 200_000;

    /** @throws InvalidDocument when the text is not JSON or a name is given twice in one object */
    public static function parse(string $text): mixed
    {
        strlen($text) <= self::BYTES || throw InvalidDocument::at('', 'must be at most 8 MiB');
        self::values($text) <= self::VALUES || throw InvalidDocument::at('', 'must hold at most '.self::VALUES.' values');
        try {
            $value = json_decode($text, false, self::DEPTH, JSON_THROW_ON_ERROR);
        } catch (\JsonException $problem) {
            throw InvalidDocument::at('', 'must be one JSON document: '.lcfirst($problem->getMessage()));
        }
        self::refuseDuplicates($text);

        return $value;
    }

    /** How many values a document holds at the most; its texts are looked at only when it might be too many. */
    private static function values(string $text): int
    {
        $marks = static fn (string $it): int => 1 + substr_count($it, ',') + substr_count($it, '[') + substr_count($it, '{');
        $most = $marks($text);

        return $most <= self::VALUES ? $most : $marks((string) preg_replace(['/"(?:[^"\\\\]++|\\\\.)*+"/s', '/\[\s*\]|\{\s*\}/'], '', $text));
    }

    /** The same value always as the same text: members by name, no white space, 1.0 as 1. */
    public static function canonical(mixed $value): string
    {
        return json_encode(self::ordered($value), JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
    }

    private static function ordered(mixed $value): mixed
    {
        if ($value instanceof \stdClass) {
            $members = get_object_vars($value);
            ksort($members, SORT_STRING);

            return (object) array_map(self::ordered(...), $members);
        }

        return is_array($value) ? array_map(self::ordered(...), $value) : $value;
    }

    /** Walks the tokens of a text that is known to be valid, so that the pattern need not check anything itself. */
    private static function refuseDuplicates(string $text): void
    {
        $path = [];
        $seen = [];
        $index = [];
        $depth = 0;
        preg_match_all('/"(?:[^"\\\\]++|\\\\.)*+"\s*:?|[{}\[\],]/s', $text, $tokens);
        foreach ($tokens[0] as $token) {
            if ($token === '{' || $token === '[') {
                ++$depth;
                $seen[$depth] = [];
                $index[$depth] = $token === '[' ? 0 : null;
                $path[$depth] = '0';
            } elseif ($token === '}' || $token === ']') {
                unset($path[$depth]);
                --$depth;
            } elseif ($token === ',' && $depth > 0 && $index[$depth] !== null) {
                $path[$depth] = (string) ++$index[$depth];
            } elseif (str_ends_with($token, ':') && $token[0] === '"') {
                $name = json_decode(rtrim(substr($token, 0, -1)));
                $name = is_string($name) ? $name : '';
                $path[$depth] = $name;
                if (isset($seen[$depth]["\0{$name}"])) {
                    throw InvalidDocument::at(Pointer::of(array_values($path)), 'is given twice');
                }
                $seen[$depth]["\0{$name}"] = true;
            }
        }
    }
}
