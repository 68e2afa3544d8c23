<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;
use Ash\Document\Shape;

/** What is fitted against what the machine counts, and the modules whose absence explains the difference. */
final class Sum
{
    private const MOST = 10;
    /** Of the search: a second or less. Machines with many equal modules stay far below it. */
    private const STEPS = 300_000;

    private int $steps = 0;

    /** @var array<int, list<array{int, int}>> by place and number of modules */
    private array $spans = [];

    /** Whether these are all explanations there are, up to the ten that are shown. */
    public bool $proved = true;

    /** @var array<string, true> places of the search from which nothing is found */
    private array $dead = [];

    /** @var list<list<string>> */
    public array $explanations = [];

    /**
     * @param list<string> $names
     * @param list<int>    $units of each module; KiB in thousandths, so that half a KiB is exact
     */
    private function __construct(
        private readonly array $names,
        private readonly array $units,
        public readonly float $expectedKib,
        public readonly float $differenceKib,
    ) {
    }

    public static function read(Node $node): self
    {
        return self::of(Shape::of(SumAsked::class)->read($node));
    }

    public static function of(SumAsked $asked): self
    {
        $modules = $asked->modules;
        $expected = array_sum(array_map(static fn (Module $it): float => $it->kib, $modules));
        $sum = new self(
            array_map(static fn (Module $it): string => $it->name, $modules),
            array_map(static fn (Module $it): int => (int) round($it->kib * 1000), $modules),
            $expected,
            $expected - $asked->countedKib,
        );
        $missing = (int) round($sum->differenceKib * 1000);
        // No choice of modules makes what their common divisor does not go into.
        $step = array_reduce($sum->units, self::divisor(...), 0);
        $most = $missing > 0 && $step > 0 && $missing % $step === 0 ? count($modules) : 0;
        for ($size = 1; $size <= $most && count($sum->explanations) < self::MOST; ++$size) {
            $sum->search(0, $size, $missing, []);
        }
        $sum->proved = $sum->steps < self::STEPS;

        return $sum;
    }

    /**
     * @param list<string> $chosen
     *
     * @return bool whether anything was found from here
     */
    private function search(int $from, int $left, int $missing, array $chosen): bool
    {
        if ($left === 0) {
            if ($missing === 0) {
                $this->explanations[] = $chosen;
            }

            return $missing === 0;
        }
        $key = "{$from} {$left} {$missing}";
        [$least, $most] = $this->span($from, $left);
        if (++$this->steps >= self::STEPS || $missing < $least || $missing > $most || isset($this->dead[$key])) {
            return false;
        }
        $found = false;
        // What one module of a size could not begin, a later one of that size cannot either: there is less left after it.
        $barren = [];
        for ($i = $from; $i <= count($this->names) - $left && count($this->explanations) < self::MOST; ++$i) {
            $unit = $this->units[$i];
            if (!isset($barren[$unit])) {
                $here = $this->search($i + 1, $left - 1, $missing - $unit, [...$chosen, $this->names[$i]]);
                $found = $found || $here;
                $here || $barren[$unit] = true;
            }
        }
        if (!$found) {
            $this->dead[$key] = true;
        }

        return $found;
    }

    private static function divisor(int $one, int $other): int
    {
        return $other === 0 ? $one : self::divisor($other, $one % $other);
    }

    /** @return array{int, int} the least and the most that so many of the modules from here on can make */
    private function span(int $from, int $left): array
    {
        if (!isset($this->spans[$from])) {
            $rest = array_slice($this->units, $from);
            sort($rest);
            $least = $most = [0];
            foreach ($rest as $i => $unit) {
                $least[] = $least[$i] + $unit;
                $most[] = $most[$i] + $rest[count($rest) - 1 - $i];
            }
            $this->spans[$from] = array_map(static fn (int $a, int $b): array => [$a, $b], $least, $most);
        }

        return $this->spans[$from][$left] ?? [1, 0];
    }
}
