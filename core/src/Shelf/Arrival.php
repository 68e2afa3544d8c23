<?php

declare(strict_types=1);

namespace Ash\Shelf;

/** Does what came in answer what a job waits for? Both are words that people wrote, so figures decide and words only all together. */
final readonly class Arrival
{
    private const STOP = ['a', 'an', 'the', 'of', 'for', 'new', 'another', 'some', 'one', 'pair', 'piece', 'pieces', 'part', 'parts', 'from'];

    /** @param string $waiting "a 7812", @param string $name "7812 regulator, 1 A" */
    public static function meets(string $waiting, string $sku, string $name): bool
    {
        $wanted = self::tokens($waiting);
        if (in_array(mb_strtolower($sku), $wanted, true)) {
            return true;
        }
        $here = self::tokens($name);
        $figures = array_values(array_filter($wanted, static fn (string $it): bool => preg_match('/\d/', $it) === 1 && strlen($it) >= 3));
        if ($figures !== []) {
            return array_diff($figures, $here) === [];
        }
        $words = array_values(array_diff($wanted, self::STOP));

        return $words !== [] && array_diff($words, $here) === [];
    }

    /** @return list<string> */
    private static function tokens(string $text): array
    {
        return array_values(array_filter(preg_split('/[^\p{L}\p{N}.\-]+/u', mb_strtolower($text)) ?: [], static fn (string $it): bool => $it !== ''));
    }
}
