<?php

declare(strict_types=1);

namespace Ash\Facts;

/** What is known of a board, by the type of what is known. */
final readonly class Facts
{
    /** @var list<Fact> */
    private array $facts;

    public function __construct(Fact ...$facts)
    {
        $this->facts = array_values($facts);
    }

    /** @return list<Fact> */
    public function everything(): array
    {
        return $this->facts;
    }

    public function and(Fact ...$more): self
    {
        return new self(...$this->facts, ...array_values($more));
    }

    /**
     * @template T of Fact
     *
     * @param class-string<T> $class
     *
     * @return list<T> in the order in which they were published
     */
    public function all(string $class): array
    {
        return array_values(array_filter($this->facts, static fn (Fact $fact): bool => $fact instanceof $class));
    }

    /**
     * @template T of Fact
     *
     * @param class-string<T> $class
     *
     * @return T|null the last one: what is known later counts
     */
    public function last(string $class): ?Fact
    {
        $all = $this->all($class);

        return $all === [] ? null : $all[count($all) - 1];
    }
}
