<?php

declare(strict_types=1);

namespace AshStandins\Tester;

/** A memory with faults, and the lines that a test of it writes. The pattern's words are this program's own. */
final class Memory
{
    private int $random;

    /** @param array<mixed> $scene */
    private function __construct(private readonly array $scene, int $seed)
    {
        $this->random = max(1, $seed % 2147483647);
    }

    public static function load(string $file, int $seed): self
    {
        $scene = json_decode((string) file_get_contents($file), true);

        return new self(is_array($scene) ? $scene : throw new \RuntimeException("{$file} is no scene"), $seed);
    }

    /** @return \Generator<int, array{float, string}> seconds to wait before a line, and the line; "\0drop" ends the connection */
    public function lines(): \Generator
    {
        yield [
            0.0,
            'memory tester, stand-in; '.$this->number('bits', 8).' bits, pattern '
                .(is_string($this->scene['pattern'] ?? null) ? $this->scene['pattern'] : 'none'),
        ];
        $gap = 1 / $this->number('lines_per_s', 20);
        $passes = $this->number('passes', 0);
        for ($pass = 1; $passes === 0.0 || $pass <= $passes; ++$pass) {
            yield [$gap, "PASS {$pass} START"];
            $errors = 0;
            foreach ($pass >= $this->number('errors_from_pass', 1) ? $this->errors() : [] as $line) {
                ++$errors;
                yield [$gap, $line];
            }
            yield [$this->number('pass_s', 0.5), "PASS {$pass} END errors {$errors}"];
        }
        if (($this->scene['then'] ?? '') === 'drop') {
            yield [0.2, 'ERR @0'];
            yield [0.0, "\0drop"];
        }
        yield [1e9, ''];
    }

    /** @return list<string> */
    private function errors(): array
    {
        $lines = [];
        $words = (int) $this->number('words', 16384);
        for ($tries = 0; count($lines) < $this->number('errors_per_pass', 12) && $tries < 20 * $words && ($this->scene['faults'] ?? []) !== []; ++$tries) {
            $address = (int) $this->number('start', 0) + $this->next($words);
            $expected = $this->word($address);
            $actual = $this->read($address, $expected);
            if ($actual !== $expected) {
                $lines[] = sprintf('ERR @%s W=%s R=%s', $this->text($address), $this->text($expected), $this->text($actual));
            }
        }

        return $lines;
    }

    private function read(int $address, int $word): int
    {
        foreach (is_array($this->scene['faults'] ?? null) ? $this->scene['faults'] : [] as $fault) {
            if (!is_array($fault)) {
                continue;
            }
            $of = static fn (string $key, int $default): int => is_int($fault[$key] ?? null) ? $fault[$key] : $default;
            if ($address < $of('from', 0) || $address >= $of('from', 0) + $of('words', PHP_INT_MAX >> 1)) {
                continue;
            }
            $word = match ($fault['kind'] ?? '') {
                'stuck' => $of('value', 0) === 1 ? $word | 1 << $of('bit', 0) : $word & ~(1 << $of('bit', 0)),
                'line' => $this->word($address ^ 1 << $of('line', 0)),
                default => $word,
            };
        }

        return $word;
    }

    /** fold: the address folded to the width by exclusive or; mix: Knuth's multiplicative hash; else a checkerboard. */
    private function word(int $address): int
    {
        $bits = (int) $this->number('bits', 8);

        return match ($this->scene['pattern'] ?? 'none') {
            'mix' => ($address * 2654435761 & 0xFFFFFFFF) >> (32 - $bits),
            'fold' => ($address ^ $address >> $bits ^ $address >> 2 * $bits) & ((1 << $bits) - 1),
            default => ($address & 1) === 1 ? 0x5555555555 & ((1 << $bits) - 1) : 0xAAAAAAAAAA & ((1 << $bits) - 1),
        };
    }

    private function text(int $value): string
    {
        return match ((int) $this->number('radix', 16)) {
            8 => sprintf('%04o', $value),
            10 => (string) $value,
            default => sprintf('%04X', $value),
        };
    }

    private function number(string $key, float $default): float
    {
        return is_numeric($this->scene[$key] ?? null) ? (float) $this->scene[$key] : $default;
    }

    /** Park and Miller's minimal standard generator (CACM 31, 1988): the same seed gives the same run. */
    private function next(int $below): int
    {
        $this->random = $this->random * 48271 % 2147483647;

        return $this->random % $below;
    }
}
