<?php

declare(strict_types=1);

namespace Ash\Logbook;

/**
 * Two descriptions of what turned out to be one kind. The first one stands; what only the second one says is added, and where both say
 * something else the first one's word counts and the conflict is named.
 */
final readonly class Merge
{
    /** What names a description itself: the first one's. */
    private const OWN = ['format', 'slug', 'name', 'kind'];

    /** @param list<string> $conflicts in words, with the pointer */
    private function __construct(public \stdClass $document, public array $conflicts)
    {
    }

    public static function of(\stdClass $into, \stdClass $other): self
    {
        $conflicts = [];
        $taken = array_diff_key(get_object_vars($other), array_fill_keys(self::OWN, 0));

        return new self((object) self::both(get_object_vars($into), $taken, '', $conflicts), $conflicts);
    }

    /**
     * @param array<array-key, mixed> $one
     * @param array<array-key, mixed> $other
     * @param list<string>            $conflicts
     *
     * @return array<array-key, mixed>
     */
    private static function both(array $one, array $other, string $at, array &$conflicts): array
    {
        foreach ($other as $field => $value) {
            $mine = $one[$field] ?? null;
            if ($mine === null || $mine === []) {
                $one[$field] = $value;
            } elseif ($mine instanceof \stdClass && $value instanceof \stdClass) {
                $one[$field] = (object) self::both(get_object_vars($mine), get_object_vars($value), "{$at}/{$field}", $conflicts);
            } elseif (is_array($mine) && is_array($value)) {
                $one[$field] = self::lists(array_values($mine), array_values($value), "{$at}/{$field}", $conflicts);
            } elseif ($mine != $value) {
                $conflicts[] = "{$at}/{$field}: ".self::said($mine).' stays, '.self::said($value).' goes';
            }
        }

        return $one;
    }

    /**
     * @param list<mixed>  $one
     * @param list<mixed>  $other
     * @param list<string> $conflicts
     *
     * @return list<mixed>
     */
    private static function lists(array $one, array $other, string $at, array &$conflicts): array
    {
        $known = [];
        foreach ($one as $i => $it) {
            $known[Lesson::key($it)] = $i;
        }
        foreach ($other as $it) {
            $i = $known[Lesson::key($it)] ?? null;
            if ($i === null) {
                $one[] = $it;
            } elseif ($one[$i] instanceof \stdClass && $it instanceof \stdClass) {
                $one[$i] = (object) self::both(get_object_vars($one[$i]), get_object_vars($it), $at.'/'.Lesson::key($it), $conflicts);
            }
        }

        return $one;
    }

    private static function said(mixed $value): string
    {
        return mb_substr(is_string($value) ? $value : json_encode($value, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), 0, 80);
    }
}
