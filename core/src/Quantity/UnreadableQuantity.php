<?php

declare(strict_types=1);

namespace Ash\Quantity;

/** Something typed where a measurement was expected. */
final class UnreadableQuantity extends \DomainException
{
    public static function typed(string $typed, Unit $unit): self
    {
        return new self("\"{$typed}\" is not a value in {$unit->value}: write it as 4.98, 4,98, 47m or 4k7");
    }

    public static function twoMarks(string $typed): self
    {
        return new self("\"{$typed}\" has a comma and a point: write one decimal mark and no thousands mark");
    }

    public static function tooLarge(string $typed): self
    {
        return new self("\"{$typed}\" is too large to be a measurement");
    }
}
