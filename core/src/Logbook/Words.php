<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** What of a text can be searched for: words, designators, values, chip numbers, in lower case. */
final readonly class Words
{
    /** Longer ones are cut: nobody types them. */
    public const LONGEST = 40;

    /** Of one entry; a pasted listing does not become an index. */
    public const MOST = 300;

    /** @return list<string> each once, in the order of the text */
    public static function of(string $text): array
    {
        preg_match_all('/[+-]?[\pL\pN][\pL\pN.+_\/-]*/u', mb_strtolower($text), $m);
        $words = [];
        foreach ($m[0] as $word) {
            $word = mb_substr(rtrim($word, '.+_/-'), 0, self::LONGEST);
            if (mb_strlen($word) > 1 || ctype_digit($word)) {
                $words["\0{$word}"] = $word;
            }
        }

        return array_slice(array_values($words), 0, self::MOST);
    }
}
