<?php

declare(strict_types=1);

namespace Ash\Document;

/** A value that is stored as it is read. */
abstract readonly class Plain implements Rule
{
    public function revive(mixed $stored): mixed
    {
        return $stored;
    }

    public function write(mixed $value): mixed
    {
        return $value;
    }

    public function whole(mixed $value): mixed
    {
        return $value;
    }
}
