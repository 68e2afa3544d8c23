<?php

declare(strict_types=1);

namespace Ash\Memory;

/** Where a job stands with its memory: what the last test suspects, and what to do before another is believed. */
final readonly class MemoryStanding
{
    private function __construct(public ?string $suspect, public ?string $why, public ?string $next)
    {
    }

    /**
     * @param array<string, mixed>|null $run  the last test run as the record keeps it
     * @param string|null               $done what was done to the memory since: "swap" or "part"
     */
    public static function of(?array $run, ?string $done): self
    {
        if ($run === null) {
            return new self(null, null, null);
        }
        $name = is_string($run['name'] ?? null) ? $run['name'] : 'memory';
        $swap = is_array($run['swap'] ?? null) && is_string($run['swap']['text'] ?? null) ? $run['swap'] : null;
        $top = is_array($run['suspects'] ?? null) && is_array($run['suspects'][0] ?? null) ? $run['suspects'][0] : null;
        $word = static fn (string $key): string => is_string($top[$key] ?? null) ? $top[$key] : '';
        if ($done !== null) {
            return new self(null, $done === 'swap' ? 'two chips were exchanged: the prediction is confirmed or refuted by the same test' : 'something was changed since the test: the same test that failed must pass', "Repeat the memory test of {$name}.");
        }
        if (($run['errors'] ?? 0) === 0 || $top === null) {
            return new self(null, null, null);
        }
        $text = "{$name}: {$word('called')}";
        $why = is_array($run['reasons'] ?? null) ? implode('; ', array_filter($run['reasons'], is_string(...))) : '';

        return match (true) {
            $swap === null => new self($text, $why, $word('action')),
            ($swap['verdict'] ?? '') === 'confirmed' => new self("{$name}: the chip that was moved to {$word('ref')}", $swap['text'], "Replace the chip that sits in {$word('ref')} now, then repeat the memory test of {$name}."),
            default => new self($text, "{$swap['text']} {$why}", $swap['text']),
        };
    }
}
