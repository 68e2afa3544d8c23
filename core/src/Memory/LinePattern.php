<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\ListOf;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Settled;

/**
 * How one kind of line of a tester looks, made from one such line in which somebody marked what its words say: word for word, each either
 * fixed, a role, or any number. It fits a line with as many words, so trying it costs no more than the line is long.
 */
final readonly class LinePattern implements Settled
{
    private const MOST_TOKENS = 60;

    /** @param list<LineToken> $tokens */
    public function __construct(public LineSort $sort, #[ListOf(LineToken::class)] public array $tokens)
    {
    }

    /**
     * @param array<int, LineRole> $marks by word of the line, from 0
     *
     * @throws InvalidDocument at /line, /sort or /marks
     */
    public static function taught(string $line, LineSort $sort, array $marks): self
    {
        $words = self::split($line);
        $words !== [] || throw InvalidDocument::at('/line', 'has no word in it');
        count($words) <= self::MOST_TOKENS || throw InvalidDocument::at('/line', 'has more than '.self::MOST_TOKENS.' words');
        foreach ($marks as $i => $_) {
            isset($words[$i]) || throw InvalidDocument::at('/marks', "the line has no word {$i}");
        }
        $tokens = array_map(static fn (string $word, int $i): LineToken => match (true) {
            isset($marks[$i]) => new LineToken(role: $marks[$i]),
            preg_match('/\d/', $word) === 1 => new LineToken(),
            default => new LineToken(word: mb_strtolower($word)),
        }, $words, array_keys($words));
        $pattern = new self($sort, $tokens);
        $fault = $pattern->fault();

        return $fault === null ? $pattern : throw InvalidDocument::at($fault[0], $fault[1]);
    }

    public function settled(Node $read): static
    {
        $fault = $this->fault();
        $fault === null || $read->refuse($fault[1]);

        return $this;
    }

    /** @return array{string, string}|null where and why it cannot be kept */
    private function fault(): ?array
    {
        $roles = array_values(array_filter(array_map(static fn (LineToken $it): ?LineRole => $it->role, $this->tokens)));
        $has = static fn (LineRole $role): bool => in_array($role, $roles, true);
        $foreign = array_udiff($roles, $this->sort->roles(), static fn (LineRole $a, LineRole $b): int => $a->value <=> $b->value);
        $fixed = array_filter($this->tokens, static fn (LineToken $it): bool => preg_match('/\pL{2}/u', (string) $it->word) === 1);

        return match (true) {
            $fixed === [] => ['/line', 'has no word of its own in it: a pattern of numbers and marks alone would fit anything'],
            count(
                array_unique(array_map(static fn (LineRole $it): string => $it->value, $roles)),
            ) !== count($roles) => ['/marks', 'one meaning is given to two words'],
            $foreign !== [] => ['/marks', reset($foreign)->words()." cannot be in {$this->sort->words()}"],
            $has(LineRole::Expected) !== $has(LineRole::Actual) => ['/marks', 'what was written and what was read go together'],
            $has(LineRole::Expected) && !$has(LineRole::Address) => ['/marks', 'what was written and read belong to an address'],
            $has(LineRole::Bit) && !$has(LineRole::Bank) => ['/marks', 'a bit belongs to a bank'],
            $has(LineRole::Chip) + $has(LineRole::Bank) + $has(LineRole::Address) > 1 => [
                '/marks',
                'mark the chip, or the bank, or the address: one of them says where',
            ],
            default => null,
        };
    }

    /** @return list<string> the words of a line, without signs between them */
    public static function split(string $line): array
    {
        $words = preg_split('/[^\pL\d$+.-]+/u', mb_scrub($line), -1, PREG_SPLIT_NO_EMPTY) ?: [];

        return array_values(array_filter(array_map(static fn (string $it): string => trim($it, '.-+'), $words), static fn (string $it): bool => $it !== ''));
    }

    /**
     * @param list<string> $words of a line
     *
     * @return array<string, string>|null the words by their role; null when it does not fit
     */
    public function match(array $words): ?array
    {
        if (count($words) !== count($this->tokens)) {
            return null;
        }
        $roles = [];
        foreach ($this->tokens as $i => $token) {
            if (!$token->matches($words[$i])) {
                return null;
            }
            if ($token->role !== null) {
                $roles[$token->role->value] = $words[$i];
            }
        }

        return $roles;
    }

    public function words(): string
    {
        return implode(' ', array_map(static fn (LineToken $it): string => $it->words(), $this->tokens));
    }
}
