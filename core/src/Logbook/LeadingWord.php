<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** A line whose first word picks what it is: "replaced C12 1000u -> 2200u". */
final readonly class LeadingWord implements LineRule
{
    /**
     * @param list<string>                                   $words
     * @param \Closure(string $body, string $line): LineSaid $say      what stands behind the word, and the whole line
     * @param array<string, string>                          $examples by word
     */
    public function __construct(private array $words, private \Closure $say, private array $examples = [])
    {
    }

    /**
     * Words behind which the rest is the entry.
     *
     * @param bool                  $keep     whether the word carries meaning and stays in the text
     * @param array<string, string> $examples
     */
    public static function plain(string $kind, bool $keep, array $examples, string ...$words): self
    {
        return new self(array_values($words), static fn (string $body, string $line): LineSaid => new LineSaid($kind, $keep ? $line : $body), $examples);
    }

    public function read(string $line, LineFacts $facts): ?LineSaid
    {
        if (preg_match('/^(\pL+):?\s*(.*)$/us', $line, $m) !== 1 || !in_array(mb_strtolower($m[1]), $this->words, true)) {
            return null;
        }
        $body = trim($m[2]);

        return $body === '' ? throw UnclearLine::write($this->examples[mb_strtolower($m[1])] ?? "{$m[1]} and what") : ($this->say)($body, $line);
    }

    public function examples(): array
    {
        return $this->examples;
    }

    public function completions(string $begun, LineFacts $facts): array
    {
        $begun = mb_strtolower($begun);

        return array_values(array_filter($this->words, static fn (string $word): bool => $begun !== '' && $word !== $begun && str_starts_with($word, $begun)));
    }
}
