<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\EntryData;
use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * An entry's data between the database and its type. What cannot be read stands as text (Ash\Logbook\UnreadEntry).
 *
 * @implements CastsAttributes<EntryData, EntryData>
 */
final class EntryDataCast implements CastsAttributes
{
    /** @param array<string, mixed> $attributes */
    public function get(Model $model, string $key, mixed $value, array $attributes): EntryData
    {
        return House::here()->hall->kinds->stored(self::text($attributes['kind'] ?? ''), self::text($value));
    }

    /** @param array<string, mixed> $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return $value instanceof EntryData
            ? House::here()->hall->kinds->write(self::text($attributes['kind'] ?? ''), $value)
            : throw new \TypeError('an entry takes typed data');
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }
}
