<?php

declare(strict_types=1);

namespace App\Http;

/** Something is there already and differs from what was sent. */
final class Conflict extends \DomainException
{
    private function __construct(public readonly string $pointer, public readonly string $detail)
    {
        parent::__construct("{$pointer}: {$detail}");
    }

    public static function at(string $pointer, string $detail): self
    {
        return new self($pointer, $detail);
    }
}
