<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;

/** A date code of four digits, YYWW (8213: week 13 of 1982): the earliest date a board can have been built. */
final readonly class DateCode
{
    /** A chip that is more than a year younger than the middle of its neighbours came later (common practice, no source). */
    private const YOUNGER_WEEKS = 52;

    private function __construct(public string $code, public int $year, public int $week)
    {
    }

    /** Two figures of a year: 65 to 99 are of the last century, because there are no older chips. */
    public static function read(Node $node): self
    {
        self::isOne($node->string()) || $node->refuse('must be four digits, year and week, such as 8213');
        [$year, $week] = array_map(intval(...), str_split($node->string(), 2));

        return new self($node->string(), $year + ($year >= 65 ? 1900 : 2000), $week);
    }

    /** Four digits, of which the last two are a week from 1 to 53. */
    public static function isOne(string $text): bool
    {
        return preg_match('/^\d\d(0[1-9]|[1-4]\d|5[0-3])$/D', $text) === 1;
    }

    public function words(): string
    {
        return "week {$this->week} of {$this->year}";
    }

    public function weeks(): int
    {
        return $this->year * 52 + $this->week;
    }

    /**
     * "U30-U36 8213, U37 8630": designators or ranges of them, each list followed by its code.
     *
     * @return array<array-key, string> code by designator
     */
    public static function list(Node $text, Map $map): array
    {
        $codes = $waiting = [];
        foreach (preg_split('/[\s,;]+/', $text->text(4000)) ?: [] as $word) {
            if (preg_match('/^\d{4}$/D', $word) === 1) {
                self::read(Node::of($word, $text->pointer));
                $waiting !== [] || $text->refuse("{$word}: say first which chips have this code");
                $codes = array_fill_keys($waiting, $word) + $codes;
                $waiting = [];
            } elseif ($word !== '') {
                $waiting = [...$waiting, ...self::refs($word, $text, $map)];
            }
        }
        $waiting === [] || $text->refuse(implode(', ', $waiting).': the code is missing');

        return $codes;
    }

    /** @return list<string> */
    private static function refs(string $word, Node $text, Map $map): array
    {
        if (isset($map->byRef["\0{$word}"])) {
            return [$word];
        }
        if (preg_match('/^(\D*)(\d+)(?:-|\.\.)(?:\1)?(\d+)$/D', $word, $m) === 1 && (int) $m[3] - (int) $m[2] < 200) {
            $refs = array_values(array_filter(
                array_map(static fn (int $n): string => $m[1].$n, range((int) $m[2], (int) $m[3])),
                static fn (string $ref): bool => isset($map->byRef["\0{$ref}"]),
            ));
            if ($refs !== []) {
                return $refs;
            }
        }
        $text->refuse("{$word} is neither a chip of this map nor a date code");
    }

    /**
     * @param array<array-key, string> $codes by designator
     *
     * @return array{built: ?string, younger: array<array-key, string>} the earliest date of the board; chips that came later, with words
     */
    public static function history(array $codes): array
    {
        if ($codes === []) {
            return ['built' => null, 'younger' => []];
        }
        $read = array_map(static fn (string $code): self => self::read(Node::of($code)), $codes);
        $weeks = array_map(static fn (self $it): int => $it->weeks(), $read);
        sort($weeks);
        $middle = $weeks[intdiv(count($weeks) - 1, 2)];
        $younger = array_filter($read, static fn (self $it): bool => $it->weeks() - $middle > self::YOUNGER_WEEKS);
        $old = array_diff_key($read, $younger);
        uasort($old, static fn (self $a, self $b): int => $a->weeks() <=> $b->weeks());
        $last = end($old);

        return [
            'built' => $last === false ? null : "not before {$last->words()}",
            'younger' => array_map(static fn (self $it): string => "{$it->words()}: replaced before", $younger),
        ];
    }
}
