<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;
use Ash\Quantity\Radix;

/** A machine's memory: its banks and the words they hold. Invariant: no address has two banks; banks and chips have one name each. */
final readonly class Map
{
    private const MOST_BANKS = 1024;
    private const MOST_CHIPS = 65_536;

    /** @var list<int> of the banks in address order; empty when a bank has a select */
    private array $starts;

    /** @var list<int> numbers of the banks in that order */
    private array $order;

    /**
     * @param non-empty-list<Bank>           $banks
     * @param array<string, int>             $byName bank number by NUL and name
     * @param array<string, array{int, int}> $byRef  bank and chip number by NUL and designator
     */
    private function __construct(
        public Radix $radix,
        public int $wordBits,
        public Technology $technology,
        public array $banks,
        public array $byName,
        public array $byRef,
        public Mounting $mounting = Mounting::Socketed,
    ) {
        $selected = array_filter($banks, static fn (Bank $it): bool => $it->selectMask !== 0) !== [];
        $starts = $selected ? [] : array_map(static fn (Bank $it): int => $it->start, $banks);
        asort($starts);
        $this->starts = array_values($starts);
        $this->order = array_keys($starts);
    }

    public static function read(Node $node): self
    {
        $node->only('radix', 'word_bits', 'technology', 'mounting', 'banks');
        $radix = Radix::read($node->optional('radix'));
        $wordBits = $node->at('word_bits')->integer(1, 63);
        $technology = $node->optional('technology')?->enum(Technology::class) ?? Technology::Dram;
        $nodes = $node->at('banks')->items(self::MOST_BANKS);
        array_sum(array_map(static fn (Node $it): int => count($it->at('chips')->items(self::MOST_CHIPS)), $nodes)) <= self::MOST_CHIPS
            || $node->at('banks')->refuse('must have at most '.self::MOST_CHIPS.' chips in all');
        $banks = array_map(static fn (Node $it): Bank => Bank::read($it, $radix, $wordBits), $nodes);
        if ($banks === []) {
            $node->at('banks')->refuse('must list at least one bank');
        }
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('name'), $nodes));
        Node::distinct(array_merge(...array_map(
            static fn (Node $it): array => [
                ...array_merge(...array_map(self::called(...), $it->at('chips')->items(self::MOST_CHIPS))),
                ...($it->has('parity') ? self::called($it->at('parity')) : []),
            ],
            $nodes,
        )));
        foreach ($banks as $i => $bank) {
            foreach (array_slice($banks, 0, $i) as $other) {
                $shared = self::firstShared($bank, $other);
                $shared === null || $nodes[$i]->refuse("overlaps bank {$other->name}: both answer at {$radix->format($shared)}");
            }
        }

        return new self(
            $radix,
            $wordBits,
            $technology,
            $banks,
            ...self::names($banks),
            mounting: $node->optional('mounting')?->enum(Mounting::class) ?? Mounting::Socketed,
        );
    }

    /** @return list<Node> what a chip is called */
    private static function called(Node $chip): array
    {
        return [$chip->at('ref'), ...($chip->has('alias') ? [$chip->at('alias')] : [])];
    }

    /** Chips are exchanged between sockets, never planes of core or what is soldered. */
    public function exchangeable(): bool
    {
        return $this->mounting === Mounting::Socketed && $this->technology !== Technology::Core;
    }

    /** The bank that owns an address, as its number. */
    public function bankAt(int $address): ?int
    {
        if ($this->order !== []) {
            // Without selects the banks lie one behind the other: the last that starts at or before the address owns it, or none does.
            for ($low = 0, $high = count($this->order); $low < $high;) {
                $middle = intdiv($low + $high, 2);
                $this->starts[$middle] <= $address ? $low = $middle + 1 : $high = $middle;
            }
            $bank = $this->order[$low - 1] ?? null;

            return $bank !== null && $this->banks[$bank]->owns($address) ? $bank : null;
        }
        foreach ($this->banks as $i => $bank) {
            if ($bank->owns($address)) {
                return $i;
            }
        }

        return null;
    }

    public function lowest(): int
    {
        return min(array_map(static fn (Bank $bank): int => (int) Bank::firstFrom($bank->start, $bank->selectMask, $bank->selectValue), $this->banks));
    }

    public function highest(): int
    {
        return max(array_map(static fn (Bank $bank): int => $bank->address($bank->words - 1), $this->banks));
    }

    /**
     * @param list<Bank> $banks
     *
     * @return array{array<string, int>, array<string, array{int, int}>}
     */
    private static function names(array $banks): array
    {
        $byName = $byRef = [];
        foreach ($banks as $i => $bank) {
            $byName["\0{$bank->name}"] = $i;
            foreach ($bank->chips as $k => $chip) {
                $byRef["\0{$chip->ref}"] = [$i, $k];
                $chip->alias === null || $byRef["\0{$chip->alias}"] = [$i, $k];
            }
        }

        return [$byName, $byRef];
    }

    /** The lowest address that two banks both answer; null when there is none. */
    private static function firstShared(Bank $one, Bank $other): ?int
    {
        if (($one->selectMask & $other->selectMask & ($one->selectValue ^ $other->selectValue)) !== 0) {
            return null;
        }
        $first = Bank::firstFrom(max($one->start, $other->start), $one->selectMask | $other->selectMask, $one->selectValue | $other->selectValue);

        return $first !== null && $first < min($one->end, $other->end) ? $first : null;
    }
}
