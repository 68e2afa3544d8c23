<?php

declare(strict_types=1);

namespace Ash\Memory;

/** The lines that somebody has taught the reader, of one tester or one kind of machine. */
final readonly class Dialect
{
    /** @var array<int, list<LinePattern>> by number of words */
    private array $patterns;

    public function __construct(LinePattern ...$patterns)
    {
        $by = [];
        foreach ($patterns as $pattern) {
            $by[count($pattern->tokens)][] = $pattern;
        }
        $this->patterns = $by;
    }

    /** @return array{LinePattern, array<string, string>}|null the first pattern that fits, and its words by role */
    public function read(string $line): ?array
    {
        if ($this->patterns === []) {
            return null;
        }
        $words = LinePattern::split($line);
        foreach ($this->patterns[count($words)] ?? [] as $pattern) {
            $roles = $pattern->match($words);
            if ($roles !== null) {
                return [$pattern, $roles];
            }
        }

        return null;
    }
}
