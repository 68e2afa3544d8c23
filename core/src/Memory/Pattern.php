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
            $low = $address & 0xFFFF;
            $high = ($address >> 16) & 0xFFFF;
            $product = ($low * self::KNUTH + (($high * self::KNUTH & 0xFFFF) << 16)) & 0xFFFFFFFF;

            return $product >> (32 - $wordBits);
        }
        $word = 0;
        for ($rest = $address; $rest !== 0; $rest >>= $wordBits) {
            $word ^= $rest & (PHP_INT_MAX >> (63 - $wordBits));
        }

        return $word;
    }
}
