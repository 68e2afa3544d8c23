<?php

declare(strict_types=1);

namespace Ash\Quantity;

use Ash\Document\Node;

/** Addresses and data words as text in a radix. A mark is taken off in its own radix only, in either case, once. */
enum Radix: int
{
    case Binary = 2;
    case Octal = 8;
    case Decimal = 10;
    case Hexadecimal = 16;

    public function words(): string
    {
        return strtolower($this->name);
    }

    /** @return list<self> in which tests write addresses, the usual first */
    public static function usual(): array
    {
        return [self::Hexadecimal, self::Octal, self::Decimal];
    }

    /** @param Node|null $node absent: hexadecimal */
    public static function read(?Node $node): self
    {
        return $node === null ? self::Hexadecimal : self::tryFrom($node->integer()) ?? $node->refuse('must be 2, 8, 10 or 16');
    }

    /** @return int|null null when the text is no number of this radix, or beyond 63 bits */
    public function parse(string $text): ?int
    {
        $digits = $this->isDigits($text) ? $text : $this->unmarked($text);
        if (!$this->isDigits($digits)) {
            return null;
        }
        if (strlen($digits) < 16) {
            return intval($digits, $this->value);
        }
        $digits = ltrim($digits, '0');
        if ($digits === '') {
            return 0;
        }
        $value = intval($digits, $this->value);

        return $value === PHP_INT_MAX && strtolower($this->format($value)) !== strtolower($digits) ? null : $value;
    }

    public function format(int $value): string
    {
        return match ($this) {
            self::Binary => decbin($value),
            self::Octal => decoct($value),
            self::Decimal => (string) $value,
            self::Hexadecimal => strtoupper(dechex($value)),
        };
    }

    public function take(Node $node): int
    {
        return $this->parse($node->string()) ?? $node->refuse("must be a number in radix {$this->value}, such as ".$this->format(26));
    }

    private function isDigits(string $text): bool
    {
        return match ($this) {
            self::Hexadecimal => ctype_xdigit($text),
            self::Decimal => ctype_digit($text),
            self::Octal => $text !== '' && strspn($text, '01234567') === strlen($text),
            self::Binary => $text !== '' && strspn($text, '01') === strlen($text),
        };
    }

    private function unmarked(string $text): string
    {
        return match (true) {
            $this === self::Hexadecimal && preg_match('/^0x/i', $text) === 1 => substr($text, 2),
            $this === self::Hexadecimal && str_starts_with($text, '$') => substr($text, 1),
            $this === self::Hexadecimal && preg_match('/h$/i', $text) === 1 => substr($text, 0, -1),
            $this === self::Octal && preg_match('/^0o/i', $text) === 1, $this === self::Binary && preg_match('/^0b/i', $text) === 1 => substr($text, 2),
            default => $text,
        };
    }
}
