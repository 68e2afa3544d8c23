<?php

declare(strict_types=1);

namespace Ash\Memory;

/** What a word of a test's line says. */
enum LineRole: string
{
    case Address = 'address';
    case Expected = 'expected';
    case Actual = 'actual';
    case Chip = 'chip';
    case Bank = 'bank';
    case Bit = 'bit';
    case Errors = 'errors';

    public function words(): string
    {
        return match ($this) {
            self::Address => 'the address',
            self::Expected => 'what was written',
            self::Actual => 'what was read',
            self::Chip => 'the chip',
            self::Bank => 'the bank',
            self::Bit => 'the bit',
            self::Errors => 'the number of errors',
        };
    }
}
