<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;
use Ash\Document\Shape;

/** What is fitted against what the machine counts, and the modules whose absence explains the difference. */
final class Sum
{
    private const MOST = 10;

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
        for ($size = 1; $missing > 0 && $size <= count($modules) && count($sum->explanations) < self::MOST; ++$size) {
            $sum->search(0, $size, $missing, []);
        }

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
        if ($missing <= 0 || isset($this->dead[$key])) {
            return false;
        }
        $found = false;
        for ($i = $from; $i <= count($this->names) - $left && count($this->explanations) < self::MOST; ++$i) {
            $found = $this->search($i + 1, $left - 1, $missing - $this->units[$i], [...$chosen, $this->names[$i]]) || $found;
        }
        if (!$found && count($this->explanations) < self::MOST) {
            $this->dead[$key] = true;
        }

        return $found;
    }
}
