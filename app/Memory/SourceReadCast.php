<?php

declare(strict_types=1);

namespace App\Memory;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/** @implements CastsAttributes<?SourceRead, ?SourceRead> */
final class SourceReadCast implements CastsAttributes
{
    /** @param array<string, mixed> $attributes */
    public function get(Model $model, string $key, mixed $value, array $attributes): ?SourceRead
    {
        return is_string($value) ? SourceRead::kept($value) : null;
    }

    /** @param array<string, mixed> $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): ?string
    {
        return $value instanceof SourceRead ? $value->json() : null;
    }
}
