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

    /** @param array{int, int, int, int} $error */
    public function add(array $error): void
    {
        if ($this->came++ % $this->step !== 0) {
            return;
        }
        $this->errors[] = $error;
        if (count($this->errors) > self::MOST) {
            $this->step *= self::TIMES;
            $this->errors = array_values(array_filter($this->errors, static fn (int $i): bool => $i % self::TIMES === 0, ARRAY_FILTER_USE_KEY));
        }
    }

    /**
     * Rows as they came, of which many are alike; where all have an actual value, those between two that are sampled are not looked at.
     *
     * @param list<string>                                              $rows
     * @param array<array-key, array{int, int, int, int}|null>          $errors by row; null: it has no actual value
     * @param (\Closure(string): (array{int, int, int, int}|null))|null $other  of a row not among them: with an actual value in the map, or outside
     */
    public function addAll(array $rows, array $errors, ?\Closure $other): void
    {
        if (in_array(null, $errors, true)) {
            $rows = array_values(array_filter($rows, static fn (string $row): bool => !array_key_exists($row, $errors) || $errors[$row] !== null));
        }
        $n = count($rows);
        for ($i = 0; $i < $n; ++$i) {
            $skipped = (-$this->came % $this->step + $this->step) % $this->step;
            if ($i + $skipped >= $n) {
                $this->came += $n - $i;

                return;
            }
            $i += $skipped;
            $this->came += $skipped;
            $error = $errors[$rows[$i]] ?? ($other === null ? null : $other($rows[$i]));
            $error === null || $this->add($error);
        }
    }
}
