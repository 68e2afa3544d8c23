<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** A quick line whose leading word is known and whose rest is not understood. */
final class UnclearLine extends \DomainException
{
    public static function write(string $pattern): self
    {
        return new self("write it as: {$pattern}");
    }
}
