<?php

declare(strict_types=1);

namespace Ash\Logbook;

/**
 * The words of a room's line, as one table: what stands first, which word a value stands behind, and which words speak for themselves.
 * Reading takes one pass over the words, so it is linear in the line.
 */
final readonly class LineTable
{
    /**
     * @param list<string>                                                $first  fields of the first words, in order
     * @param array<string, string>                                       $after  by word: the field of the one word that follows
     * @param array<string, string>                                       $behind by word: the field of all that follows, up to the next known word
     * @param array<string, array{string, bool|string|int}>               $flags  by word: field and value
     * @param list<array{string, string, (\Closure(string): mixed)|null}> $shapes what a word looks like (a pattern), its field, what is made of it
     * @param list<string>                                                $many   fields that collect what is said more than once
     */
    public function __construct(
        private array $first = [],
        private array $after = [],
        private array $behind = [],
        private array $flags = [],
        private array $shapes = [],
        private array $many = [],
    ) {
    }

    /**
     * @return array{array<string, mixed>, list<string>} fields that were said, and the words that have no place in the table
     *
     * @throws UnclearLine when a word that wants a value stands at the end, or a field is said twice
     */
    public function read(string $said): array
    {
        $words = preg_split('/(?:[\s;]|,(?!\d))+/u', $said, -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $fields = $left = [];
        $first = $this->first;
        for ($i = 0, $n = count($words); $i < $n; ++$i) {
            $word = $words[$i];
            $key = mb_strtolower($word);
            if (isset($this->after[$key])) {
                $value = $words[++$i] ?? throw new UnclearLine("say what stands behind \"{$word}\"");
                $this->put($fields, $this->after[$key], $value);
            } elseif (isset($this->behind[$key])) {
                $from = $i + 1;
                while ($i + 1 < $n && !$this->knows($words[$i + 1]) && ($i < $from || $this->shape($words[$i + 1]) === null)) {
                    ++$i;
                }
                $i >= $from || throw new UnclearLine("say what stands behind \"{$word}\"");
                $this->put($fields, $this->behind[$key], implode(' ', array_slice($words, $from, $i + 1 - $from)));
            } elseif (isset($this->flags[$key])) {
                $this->put($fields, ...$this->flags[$key]);
            } elseif ($first !== []) {
                $this->put($fields, array_shift($first), $word);
            } else {
                $shape = $this->shape($word);
                $shape === null ? $left[] = $word : $this->put($fields, ...$shape);
            }
        }

        return [$fields, $left];
    }

    /**
     * @param list<string> $words instead of the table's own
     *
     * @return list<string> the line with its last word carried on
     */
    public function goesOn(string $begun, ?array $words = null): array
    {
        $at = mb_strrpos($begun, ' ');
        $last = mb_strtolower(mb_substr($begun, $at === false ? 0 : $at + 1));
        $before = mb_substr($begun, 0, mb_strlen($begun) - mb_strlen($last));
        $fitting = array_filter($words ?? $this->words(), static fn (string $it): bool => $last !== '' && mb_strtolower($it) !== $last
            && str_starts_with(mb_strtolower($it), $last));

        return array_values(array_map(static fn (string $it): string => $before.$it, $fitting));
    }

    /** @return list<string> */
    public function words(): array
    {
        return array_map(strval(...), [...array_keys($this->after), ...array_keys($this->behind), ...array_keys($this->flags)]);
    }

    private function knows(string $word): bool
    {
        $key = mb_strtolower($word);

        return isset($this->after[$key]) || isset($this->behind[$key]) || isset($this->flags[$key]);
    }

    /** @return array{string, mixed}|null field and value of a word that is known by how it looks */
    private function shape(string $word): ?array
    {
        foreach ($this->shapes as [$pattern, $field, $made]) {
            $value = preg_match($pattern, $word) !== 1 ? null : ($made === null ? $word : $made($word));
            if ($value !== null) {
                return [$field, $value];
            }
        }

        return null;
    }

    /** @param array<string, mixed> $fields */
    private function put(array &$fields, string $field, mixed $value): void
    {
        if (in_array($field, $this->many, true)) {
            $fields[$field] = [...(array) ($fields[$field] ?? []), $value];
        } elseif (array_key_exists($field, $fields)) {
            throw new UnclearLine('says '.str_replace('_', ' ', $field).' twice');
        } else {
            $fields[$field] = $value;
        }
    }
}
