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

    /**
     * The words at the cells that differ from an address's in two bits that a stuck pin ties: both set, both clear. In a bank without a
     * select and on its own boundary a cell bit is an address bit, and the words follow from the one at the address.
     *
     * @param list<array{int, int}|null> $pins cell bits; null: -1 twice
     *
     * @return list<int> two a pin
     */
    public function ofTied(Bank $bank, int $address, array $pins, int $wordBits): array
    {
        $cell = $bank->cell($address);
        $near = $bank->selectMask === 0 && ($bank->start & ($bank->words - 1)) === 0;
        $mix = $this === self::Mix;
        $here = $mix ? self::product($address) : $this->word($address, $wordBits);
        $shift = 32 - $wordBits;
        $words = [];
        foreach ($pins as $pin) {
            if ($pin === null) {
                $words[] = -1;
                $words[] = -1;
                continue;
            }
            [$i, $j] = $pin;
            if (!$near || $j > 31) {
                $tied = (1 << $i) | (1 << $j);
                $words[] = $this->word($bank->address($cell | $tied), $wordBits);
                $words[] = $this->word($bank->address($cell & ~$tied), $wordBits);
                continue;
            }
            [$one, $other] = [$cell >> $i & 1, $cell >> $j & 1];
            if ($mix) {
                $set = $here + ($one === 0 ? self::KNUTH << $i & 0xFFFFFFFF : 0) + ($other === 0 ? self::KNUTH << $j & 0xFFFFFFFF : 0);
                $clear = $here - ($one === 0 ? 0 : self::KNUTH << $i & 0xFFFFFFFF) - ($other === 0 ? 0 : self::KNUTH << $j & 0xFFFFFFFF);
                $words[] = ($set & 0xFFFFFFFF) >> $shift;
                $words[] = ($clear & 0xFFFFFFFF) >> $shift;
            } else {
                [$a, $b] = [1 << $i % $wordBits, 1 << $j % $wordBits];
                $words[] = $here ^ ($one === 0 ? $a : 0) ^ ($other === 0 ? $b : 0);
                $words[] = $here ^ ($one === 0 ? 0 : $a) ^ ($other === 0 ? 0 : $b);
            }
        }

        return $words;
    }

    /** Address times the constant, modulo 2^32, without leaving 63 bits. */
    private static function product(int $address): int
    {
        return (($address & 0xFFFF) * self::KNUTH + ((($address >> 16 & 0xFFFF) * self::KNUTH & 0xFFFF) << 16)) & 0xFFFFFFFF;
    }
}
