<?php

declare(strict_types=1);

namespace Ash\Memory;

/** The memories of a machine as its description maps them. */
final readonly class DescribedMemories
{
    /** @param list<FittedMemory> $all */
    public function __construct(public array $all)
    {
    }

    public function memory(string $key): ?FittedMemory
    {
        foreach ($this->all as $memory) {
            if ($memory->key === $key) {
                return $memory;
            }
        }

        return null;
    }

    /** @return list<string> chips that are destroyed when their bias rail is missing, in words */
    public function biasedChips(): array
    {
        $biased = array_filter($this->all, static fn (FittedMemory $it): bool => $it->needsBias());

        return array_values(array_map(static fn (FittedMemory $it): string => "{$it->chip?->value} in {$it->name}", $biased));
    }
}
