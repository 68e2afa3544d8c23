<?php

declare(strict_types=1);

namespace Ash\Logbook;

/**
 * What a job taught of a kind, taken back: what it added goes, what it changed is as it was before, and what others have said since stays.
 * The comparison is by value, field by field and, in lists, by what names a thing.
 */
final readonly class Lesson
{
    /** Fields by which the things in a list are told apart; without one the whole thing is what it is. */
    public const KEYS = ['name', 'key', 'ref', 'note'];

    public static function undone(\stdClass $now, \stdClass $before, \stdClass $after): \stdClass
    {
        return (object) self::fields(get_object_vars($now), get_object_vars($before), get_object_vars($after));
    }

    /** What a thing in a list is called. */
    public static function key(mixed $it): string
    {
        $fields = $it instanceof \stdClass ? get_object_vars($it) : [];
        foreach (self::KEYS as $key) {
            if (is_string($fields[$key] ?? null)) {
                return $fields[$key];
            }
        }

        return json_encode($it, JSON_THROW_ON_ERROR);
    }

    /**
     * @param array<array-key, mixed> $now
     * @param array<array-key, mixed> $before
     * @param array<array-key, mixed> $after
     *
     * @return array<array-key, mixed>
     */
    private static function fields(array $now, array $before, array $after): array
    {
        foreach ($after as $field => $taught) {
            if (!array_key_exists($field, $now)) {
                continue;
            }
            $was = $before[$field] ?? null;
            if ($now[$field] == $taught && !array_key_exists($field, $before)) {
                unset($now[$field]);
            } elseif ($now[$field] == $taught) {
                $now[$field] = $was;
            } elseif ($now[$field] instanceof \stdClass && $taught instanceof \stdClass && ($was === null || $was instanceof \stdClass)) {
                $now[$field] = self::undone($now[$field], $was ?? new \stdClass(), $taught);
            } elseif (is_array($now[$field]) && is_array($taught) && ($was === null || is_array($was))) {
                $now[$field] = self::things(array_values($now[$field]), array_values($was ?? []), array_values($taught));
            }
        }

        return $now;
    }

    /**
     * @param list<mixed> $now
     * @param list<mixed> $before
     * @param list<mixed> $after
     *
     * @return list<mixed>
     */
    private static function things(array $now, array $before, array $after): array
    {
        $named = static fn (array $list): array => array_combine(array_map(self::key(...), $list), $list);
        [$was, $taught, $kept] = [$named($before), $named($after), []];
        foreach ($now as $it) {
            $key = self::key($it);
            $lesson = $taught[$key] ?? null;
            if ($lesson !== null && !array_key_exists($key, $was) && $it == $lesson) {
                continue;
            }
            $kept[] = $lesson instanceof \stdClass && $it instanceof \stdClass
                ? self::undone(
                    $it,
                    ($was[$key] ?? null) instanceof \stdClass ? $was[$key] : new \stdClass(),
                    array_key_exists($key, $was) ? $lesson : new \stdClass(),
                )
                : $it;
        }

        return $kept;
    }
}
