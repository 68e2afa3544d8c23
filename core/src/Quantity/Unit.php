<?php

declare(strict_types=1);

namespace Ash\Quantity;

/** The SI units of the bench. The case value is the symbol as it is printed. */
enum Unit: string
{
    case Volt = 'V';
    case Ampere = 'A';
    case Ohm = 'Ω';
    case Farad = 'F';
    case Second = 's';
    case Watt = 'W';
    case Joule = 'J';
    case Hertz = 'Hz';

    /**
     * Ways of writing the symbol, longest first.
     *
     * @return list<string>
     */
    public function spellings(): array
    {
        return match ($this) {
            self::Ohm => ['ohms', 'ohm', 'Ohm', "\u{03A9}", "\u{2126}", 'R'],
            self::Volt => ['volts', 'volt', 'V', 'v'],
            self::Ampere => ['amps', 'amp', 'A'],
            self::Farad => ['farad', 'F'],
            self::Second => ['s'],
            self::Watt => ['W'],
            self::Joule => ['J'],
            self::Hertz => ['Hz', 'hz'],
        };
    }
}
