<?php

declare(strict_types=1);

namespace Ash\Setup;

/**
 * The pair of symptoms of a drive that says "ready" where the machine waits for "disk change": a disk is seen only when it was in at
 * power-on, and a changed one is not noticed. Common practice, no source.
 */
final readonly class DiskChange
{
    public const SUSPECT = 'the floppy drive says "ready" on pin 34 where the machine waits for "disk change"';
    public const STEP = 'Look how pin 34 of the floppy drive is set, and set it to disk change.';

    /** Whether words speak of one of the two. */
    public static function heard(string $words): bool
    {
        $disk = '(?:dis[kc]s?|dis[kc]ettes?|flopp(?:y|ies)|it)';
        $power = '(?:power(?:ed)?|switch(?:ed)?\s+on|turn(?:ed)?\s+on|start(?:ed|-?up)?|boot(?:ed)?|reset)';

        return preg_match("/\\b{$disk}\\b.*\\b(?:only|unless)\\b.*\\b(?:in|inserted|there)\\b.*\\b{$power}/isu", $words) === 1
            || preg_match("/\\b(?:changed|new|second|next|(?:an)?other)\\s+{$disk}\\b.*\\bnot\\s+(?:noticed|seen|found)\\b/isu", $words) === 1
            || preg_match("/\\b(?:old|first|previous|same)\\s+(?:directory|listing|{$disk})\\b.*\\b(?:after|still|again|though)\\b/isu", $words) === 1
                && preg_match("/\\bchang(?:e|ed|ing)\\b|\\b(?:new|(?:an)?other|second|next)\\s+{$disk}/isu", $words) === 1;
    }
}
