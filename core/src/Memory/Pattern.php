<?php

declare(strict_types=1);

namespace Ash\Memory;

/** The word that a test writes at an address, so that a wrong word tells where it came from. */
enum Pattern: string
{
    case Fold = 'fold';
    case Mix = 'mix';
    case None = 'none';

    /** Knuth's multiplicative hash (The Art of Computer Programming, volume 3, 6.4). */
    private const KNUTH = 2654435761;

    /** @param int $wordBits 1 to 63; at most 32 for the mix pattern */
    public function word(int $address, int $wordBits): int
    {
        if ($this === self::Mix) {
            return self::product($address) >> (32 - $wordBits);
        }
        $word = 0;
        for ($rest = $address; $rest !== 0; $rest >>= $wordBits) {
            $word ^= $rest & (PHP_INT_MAX >> (63 - $wordBits));
        }

        return $word;
    }

    /**
     * The words at address xor 2^k for k from 0 on, for less than as many calls of word: a product differs by 2^k times the
     * constant, a fold by one bit.
     *
     * @return list<int>
     */
    public function neighbours(int $address, int $wordBits, int $lines): array
    {
        $words = [];
        if ($this === self::Mix) {
            $product = self::product($address);
            for ($k = 0; $k < $lines; ++$k) {
                $step = $k < 32 ? self::KNUTH << $k & 0xFFFFFFFF : 0;
                $words[] = (($address >> $k & 1) === 1 ? $product - $step : $product + $step) & 0xFFFFFFFF;
            }
            foreach ($words as $k => $word) {
                $words[$k] = $word >> (32 - $wordBits);
            }

            return $words;
        }
        $word = $this->word($address, $wordBits);
        for ($k = 0; $k < $lines; ++$k) {
            $words[] = $word ^ (1 << $k % $wordBits);
        }

        return $words;
    }

    /** Address times the constant, modulo 2^32, without leaving 63 bits. */
    private static function product(int $address): int
    {
        return (($address & 0xFFFF) * self::KNUTH + ((($address >> 16 & 0xFFFF) * self::KNUTH & 0xFFFF) << 16)) & 0xFFFFFFFF;
    }
}
