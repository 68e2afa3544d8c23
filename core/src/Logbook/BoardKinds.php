<?php

declare(strict_types=1);

namespace Ash\Logbook;

/**
 * Descriptions of kinds of boards beside that of the machine that they are fitted in. A board uses its own kind first, then its
 * machine's; of the other boards in the machine only what they themselves have is told, not what they say of the whole.
 */
final readonly class BoardKinds
{
    /** The place of a board in the description of its own kind. */
    public const PLACE = 'main';

    /** What names a description itself: the machine's. */
    private const OWN = ['format', 'slug', 'name', 'kind', 'boards'];

    private const LONGEST_ID = 40;

    /**
     * @param array<string, string> $lists  of things that a board has, by the field that tells them apart (Section::ofBoard)
     * @param list<SharedSection>   $shared
     */
    public function __construct(private array $lists, private array $shared)
    {
    }

    /** @return array<string, int> what of a description names the board in a place: how many, by list */
    public function naming(\stdClass $machine, string $place): array
    {
        return array_filter(array_map(
            static fn (string $list): int => count(array_filter(
                self::listed($machine, $list),
                static fn (\stdClass $it): bool => ($it->board ?? null) === $place,
            )),
            array_combine(array_keys($this->lists), array_keys($this->lists)),
        ));
    }

    /**
     * What names a board goes to a description of its own, with what it refers to.
     *
     * @return array{machine: \stdClass, board: \stdClass} both whole
     */
    public function split(\stdClass $machine, string $place, string $slug, string $name): array
    {
        $rest = clone $machine;
        $board = (object) [
            'format' => Profile::FORMAT, 'slug' => $slug, 'name' => $name, 'kind' => self::words($machine),
            'boards' => [(object) ['key' => self::PLACE, 'name' => $name]],
        ];
        $things = [];
        foreach (array_keys($this->lists) as $list) {
            $all = self::listed($machine, $list);
            $of = array_filter($all, static fn (\stdClass $it): bool => ($it->board ?? null) === $place);
            if ($of !== []) {
                $rest->{$list} = array_values(array_diff_key($all, $of));
                $board->{$list} = array_map(static fn (\stdClass $it): \stdClass => (object) [...(array) $it, 'board' => self::PLACE], array_values($of));
                $things = [...$things, ...array_values($of)];
            }
        }
        foreach ($this->shared as $section) {
            $board = (object) [...(array) $board, ...$section->copied($machine, $things)];
        }

        return ['machine' => $rest, 'board' => $board];
    }

    /**
     * @param array<array-key, \stdClass> $fitted descriptions of the boards that have a kind of their own, by place
     * @param ?string                     $atHand place of the board that is asked about
     */
    public function composed(\stdClass $machine, array $fitted, ?string $atHand): \stdClass
    {
        $own = $atHand === null ? null : $fitted[$atHand] ?? null;
        $whole = clone $machine;
        foreach ($fitted as $place => $board) {
            (string) $place === $atHand || $this->bring($whole, $board, (string) $place, false);
        }
        if ($own === null) {
            return $whole;
        }
        $this->bring($whole, $own, (string) $atHand, true);
        $says = (object) array_diff_key((array) $own, array_fill_keys([...self::OWN, ...array_keys($this->lists)], 1));
        $composed = Merge::of($says, $whole)->document;
        foreach (self::OWN as $field) {
            $composed->{$field} = $machine->{$field} ?? null;
        }
        foreach ($this->shared as $section) {
            $composed = (object) [...(array) $composed, ...$section->counting($own, $whole)];
        }

        return $composed;
    }

    /** What was taught about a board names it, where the machine has several. */
    public function named(\stdClass $before, \stdClass $taught, string $place): \stdClass
    {
        $places = array_column(self::listed($taught, 'boards'), 'key');
        if (count($places) < 2 || !in_array($place, $places, true)) {
            return $taught;
        }
        $named = clone $taught;
        foreach ($this->lists as $list => $id) {
            $known = array_column(self::listed($before, $list), $id);
            $all = self::listed($taught, $list);
            $all === [] || $named->{$list} = array_map(
                static fn (\stdClass $it): \stdClass => isset($it->board) || in_array($it->{$id} ?? null, $known, true)
                    ? $it
                    : (object) [...(array) $it, 'board' => $place],
                $all,
            );
        }

        return $named;
    }

    /** The things of a board among all others: one of the same name on the same board gives way, one of another board is called by its place. */
    private function bring(\stdClass $whole, \stdClass $board, string $place, bool $first): void
    {
        foreach ($this->lists as $list => $id) {
            $brings = array_map(static fn (\stdClass $it): \stdClass => (object) [...(array) $it, 'board' => $place], self::listed($board, $list));
            if ($brings === []) {
                continue;
            }
            $called = array_column($brings, $id);
            $others = array_filter(
                self::listed($whole, $list),
                static fn (\stdClass $it): bool => ($it->board ?? null) !== $place || !in_array($it->{$id} ?? null, $called, true),
            );
            $first ? $others = self::apart($others, $called, $id) : $brings = self::apart($brings, array_column($others, $id), $id);
            $whole->{$list} = [...array_values($others), ...$brings];
        }
    }

    /**
     * @param array<\stdClass> $all
     * @param array<mixed>     $taken names
     *
     * @return list<\stdClass>
     */
    private static function apart(array $all, array $taken, string $id): array
    {
        return array_values(array_map(static function (\stdClass $it) use ($taken, $id): \stdClass {
            $called = $it->{$id} ?? null;
            $place = is_string($it->board ?? null) ? $it->board : 'machine';

            return is_string($called) && in_array($called, $taken, true)
                ? (object) [...(array) $it, $id => mb_substr("{$place}-{$called}", 0, self::LONGEST_ID)]
                : $it;
        }, $all));
    }

    private static function words(\stdClass $machine): string
    {
        return mb_substr('a board of '.(is_string($machine->name ?? null) ? $machine->name : 'a machine'), 0, 120);
    }

    /** @return list<\stdClass> */
    private static function listed(\stdClass $document, string $list): array
    {
        $all = is_array($document->{$list} ?? null) ? $document->{$list} : [];

        return array_values(array_filter($all, static fn (mixed $it): bool => $it instanceof \stdClass));
    }
}
