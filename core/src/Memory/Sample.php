<?php

declare(strict_types=1);

namespace Ash\Memory;

/**
 * Of the errors that have an actual value, in the order they came: the first and every s-th after it, s the least power of 5 that leaves 4096
 * or fewer. The first ones of an ascending log would know one half of a high line only, and a step of a power of 2 one side of a low one.
 */
final class Sample
{
    private const MOST = 4096;
    private const TIMES = 5;

    /** @var list<array{int, int, int, int}> bank, address, XOR and actual value */
    public array $errors = [];
    private int $came = 0;
    private int $step = 1;

    public function add(int $bank, int $address, int $xor, int $actual): void
    {
        if ($this->came++ % $this->step !== 0) {
            return;
        }
        $this->errors[] = [$bank, $address, $xor, $actual];
        if (count($this->errors) > self::MOST) {
            $this->step *= self::TIMES;
            $this->errors = array_values(array_filter($this->errors, static fn (int $i): bool => $i % self::TIMES === 0, ARRAY_FILTER_USE_KEY));
        }
    }
}
