<?php

declare(strict_types=1);

namespace Ash\Memory;

/** What a locator makes of its errors, as plain values: the answer of bin/ash, and what the record keeps of a run. */
final readonly class Located
{
    /** @return array<string, mixed> */
    public static function of(Map $map, Locator $locator, Pattern $pattern): array
    {
        $suspects = $locator->suspects();
        $words = new SuspectWords($map, $locator, $pattern);
        $mapped = $locator->errors - $locator->unmapped;
        ksort($locator->seen);

        return [
            'suspects' => array_map(static fn (Suspect $it, int $i): array => [
                'rank' => $i + 1, 'kind' => $it->kind, 'ref' => $it->ref, 'refs' => $it->refs, 'bank' => $it->bank, 'bits' => array_map(self::bit(...), $it->bits), 'address_bits' => $it->addressBits,
                'explains' => $locator->explained($it) / max(1, $locator->errors), 'probability' => $it->probability, 'text' => $words->text($it), 'action' => $words->action($it), 'against' => $words->against($it), 'called' => $words->called($it),
            ], $suspects, array_keys($suspects)),
            'matrix' => array_map(static fn (int $pair, int $count): array => ['bank' => $map->banks[intdiv($pair, Locator::WIDTH)]->name, 'bit' => self::bit($pair % Locator::WIDTH), 'errors' => $count], array_keys($locator->seen), $locator->seen),
            'errors' => $locator->errors,
            'unmapped' => $locator->unmapped,
            'unexplained' => $mapped - ($suspects === [] ? 0 : $locator->explained($suspects[0])),
            'reasons' => $words->reasons($suspects),
        ];
    }

    private static function bit(int $bit): int|string
    {
        return $bit === Bank::P ? 'P' : $bit;
    }
}
