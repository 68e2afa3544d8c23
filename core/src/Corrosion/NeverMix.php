<?php

declare(strict_types=1);

namespace Ash\Corrosion;

/** Chemicals that must never come together in one plan (common practice; safety data sheets say the same). */
final readonly class NeverMix
{
    /** What stands for a family, as the bench names it. */
    private const FAMILIES = [
        'acid' => ['vinegar', 'citric acid', 'sulphuric acid', 'acid'],
        'bleach' => ['bleach', 'hypochlorite'],
        'ammonia' => ['ammonia'],
        'peroxide' => ['peroxide'],
        'solvent' => ['acetone', 'alcohol'],
        'lye' => ['lye', 'caustic soda', 'sodium hydroxide'],
        'aluminium' => ['aluminium'],
    ];

    private const PAIRS = [
        ['acid', 'bleach', 'makes chlorine'],
        ['ammonia', 'bleach', 'makes chloramine'],
        ['peroxide', 'acid', 'makes peracetic acid'],
        ['peroxide', 'solvent', 'can go off in a closed vessel'],
        ['lye', 'aluminium', 'makes hydrogen'],
    ];

    /**
     * @param list<string> $chemicals as they are written in the plan
     *
     * @return list<string> each pair that must not be, with what it makes
     */
    public static function clashes(array $chemicals): array
    {
        $found = [];
        foreach (self::PAIRS as [$one, $other, $makes]) {
            $first = self::in($one, $chemicals);
            $second = self::in($other, $chemicals);
            if ($first !== null && $second !== null && $first !== $second) {
                $found[] = "{$first} and {$second}: {$makes}";
            }
        }

        return $found;
    }

    /** @param list<string> $chemicals */
    private static function in(string $family, array $chemicals): ?string
    {
        foreach ($chemicals as $chemical) {
            foreach (self::FAMILIES[$family] ?? [] as $word) {
                if (preg_match('/\b'.preg_quote($word, '/').'\b/i', $chemical) === 1) {
                    return $chemical;
                }
            }
        }

        return null;
    }
}
