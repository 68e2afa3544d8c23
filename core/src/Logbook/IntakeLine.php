<?php

declare(strict_types=1);

namespace Ash\Logbook;

/**
 * A machine taken in with one line: "Knot 12 lab computer, from the instrument group, dead after a week off". The first part names it, a part
 * that begins with from, of or owner says whose it is, one that begins with serial or # is its number, the rest is the symptom as it was told.
 * A line that begins with "board:" is about a board that came alone, without its machine.
 */
final readonly class IntakeLine
{
    private function __construct(public string $machine, public ?string $serial, public ?string $owner, public ?string $symptom, public bool $alone = false)
    {
    }

    public static function read(string $line): self
    {
        $parts = array_values(
            array_filter(array_map(trim(...), preg_split('/,(?!\d)|[;\n]/u', mb_scrub($line)) ?: []), static fn (string $it): bool => $it !== ''),
        );
        $machine = array_shift($parts) ?? '';
        $alone = preg_match('/^board:\s*(.*)$/isu', $machine, $m) === 1;
        $machine = $alone ? trim($m[1]) : $machine;
        $serial = $owner = null;
        if (preg_match('/^(.+?)\s+(?:#|(?:serial|sn)\s+(?:no\.?\s+|number\s+)?)(\S+)$/iu', $machine, $m) === 1) {
            [, $machine, $serial] = $m;
        }
        $symptom = [];
        foreach ($parts as $part) {
            if ($serial === null && preg_match('/^(?:#|(?:serial|sn)\s+(?:no\.?\s+|number\s+)?)(\S+)$/iu', $part, $m) === 1) {
                $serial = $m[1];
            } elseif ($owner === null && $symptom === [] && preg_match('/^(?:from|of|for|owner)\s+(.+)$/iu', $part, $m) === 1) {
                $owner = $m[1];
            } else {
                $symptom[] = $part;
            }
        }

        return new self(
            mb_substr($machine, 0, 110),
            $serial === null ? null : mb_substr($serial, 0, 60),
            $owner === null ? null : mb_substr($owner, 0, 160),
            $symptom === [] ? null : implode(', ', $symptom),
            $alone,
        );
    }

    /** A name as it stands in addresses and file names: lower-case letters and digits with single hyphens. */
    public static function slug(string $name): string
    {
        $plain = @iconv('UTF-8', 'ASCII//TRANSLIT//IGNORE', mb_strtolower($name));
        $slug = trim((string) preg_replace(['/[\'"`^~?]/', '/[^a-z0-9]+/'], ['', '-'], strtolower(is_string($plain) ? $plain : $name)), '-');

        return $slug === '' ? 'machine' : rtrim(mb_substr($slug, 0, 50), '-');
    }
}
