<?php

declare(strict_types=1);

namespace Ash\Quantity;

/**
 * Numbers as people at a bench write them, read into SI base units, and printed back.
 *
 * Read: "4k7", "100n", "0.1uF", "4,98", "4.98 V", "-12", "2R2", "1e-3". A comma is a decimal comma; a
 * number with both a comma and a point is refused, because nobody can tell which of the two is the decimal mark.
 */
final readonly class Notation
{
    private const NUMBER = '[+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:[eE][+-]?\d{1,3})?';

    /**
     * @return float in the SI base unit of $unit
     *
     * @throws UnreadableQuantity
     */
    public static function read(string $typed, Unit $unit): float
    {
        $text = self::tidy($typed, $unit);
        $prefixes = implode('|', array_keys(Prefix::TYPED));
        if (preg_match('/^('.self::NUMBER.')\s*('.$prefixes.')?$/u', $text, $m) === 1) {
            return self::finite($typed, self::decimal($m[1]).'e', Prefix::TYPED[$m[2] ?? ''] ?? 0);
        }
        if (preg_match('/^([+-]?)(\d+)('.$prefixes.'|R|V)(\d+)$/u', $text, $m) === 1 && self::isPoint($m[3], $unit)) {
            return self::finite($typed, "{$m[1]}{$m[2]}.{$m[4]}e", Prefix::TYPED[$m[3]] ?? 0);
        }
        throw UnreadableQuantity::typed($typed, $unit);
    }

    /** Engineering notation: three-digit steps, trailing zeros dropped; 0.047 V is "47 mV". */
    public static function print(float $value, Unit $unit, int $digits = 5): string
    {
        if ($value === 0.0) {
            return "0 {$unit->value}";
        }
        $rounded = (float) sprintf('%.'.($digits - 1).'e', $value);
        $exponent = (int) floor(log10(abs($rounded)) / 3 + 1e-12) * 3;
        // Nobody at a bench says millifarad: 4700 µF it is (common practice).
        $exponent = $unit === Unit::Farad && $exponent === -3 ? -6 : max(-12, min(12, $exponent));

        return self::plain($rounded / 10 ** $exponent, $digits).' '.Prefix::PRINTED[$exponent].$unit->value;
    }

    /** A number with at most $digits significant digits and no trailing zeros, never in exponent form. */
    public static function plain(float $value, int $digits = 4): string
    {
        if ($value === 0.0) {
            return '0';
        }
        $decimals = max(0, $digits - 1 - (int) floor(log10(abs($value)) + 1e-12));
        $text = number_format($value, $decimals, '.', '');
        $text = str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;

        return $text === '-0' ? '0' : $text;
    }

    private static function tidy(string $typed, Unit $unit): string
    {
        $text = str_replace(["\u{2212}", "\u{00A0}", "\u{202F}"], ['-', ' ', ' '], trim($typed));
        if (str_contains($text, ',') && str_contains($text, '.')) {
            throw UnreadableQuantity::twoMarks($typed);
        }
        foreach ($unit->spellings() as $spelling) {
            if (str_ends_with($text, $spelling)) {
                return trim(substr($text, 0, -strlen($spelling)));
            }
        }

        return $text;
    }

    private static function decimal(string $number): string
    {
        return str_replace(',', '.', $number);
    }

    /** "4R7" is a resistance, "4V7" a voltage; a prefix in the middle fits every unit. */
    private static function isPoint(string $letter, Unit $unit): bool
    {
        return match ($letter) {
            'R' => $unit === Unit::Ohm,
            'V' => $unit === Unit::Volt,
            default => true,
        };
    }

    /** Joins the digits and the power of ten as text, so that "100n" is the double nearest to 1e-7 and not 100 * 1e-9. */
    private static function finite(string $typed, string $mantissa, int $power): float
    {
        [$digits, $exponent] = explode('e', strtolower($mantissa), 2);
        $value = (float) ($digits.'e'.((int) rtrim($exponent, 'e') + $power));

        return is_finite($value) ? $value : throw UnreadableQuantity::tooLarge($typed);
    }
}
