<?php

declare(strict_types=1);

namespace App\Shelf;

use Ash\Document\Shape;
use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/** @implements CastsAttributes<ShelfSpec, ShelfSpec> */
final class ShelfSpecCast implements CastsAttributes
{
    /** A kept object would be written out again with every access to any column. */
    public bool $withoutObjectCaching = true;

    /** @param array<string, mixed> $attributes */
    public function get(Model $model, string $key, mixed $value, array $attributes): ShelfSpec
    {
        $stored = is_string($value) ? json_decode($value) : null;

        return Shape::of(ShelfSpec::class)->revive($stored instanceof \stdClass ? $stored : new \stdClass());
    }

    /** @param array<string, mixed> $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return json_encode((object) Shape::of(ShelfSpec::class)->write($value instanceof ShelfSpec ? $value : new ShelfSpec()), JSON_THROW_ON_ERROR);
    }
}
