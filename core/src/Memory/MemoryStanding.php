<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Facts\Fact;

/** Where a job stands with its memory: what the last test suspects, and what to do before another is believed. */
final readonly class MemoryStanding implements Fact
{
    private function __construct(
        public ?string $suspect = null,
        public ?string $why = null,
        public ?string $next = null,
        public ?string $soak = null,
        public ?float $probability = null,
        /** the last test that is kept was clean and understood; null while there is none, or something was done since */
        public ?bool $passed = null,
        /** what keeps the memory from being called good */
        public ?string $unproven = null,
    ) {
    }

    /** Nothing was done or tested since a soak without an error: the same test passed, many times. */
    public static function soaked(string $soak): self
    {
        return new self(soak: $soak, passed: true);
    }

    /**
     * @param ?MemoryRun  $run  the last memory test that is kept
     * @param ?Since      $done what was done to the memory since
     * @param string|null $soak the soak since, in words
     */
    public static function of(?MemoryRun $run, ?Since $done = null, ?string $soak = null): self
    {
        if ($run === null) {
            return new self(soak: $soak);
        }
        if ($done !== null) {
            return new self(
                why: $done->why(),
                next: "Repeat the memory test of {$run->name}.",
                soak: $soak,
                unproven: "the memory test of {$run->name} was not repeated since",
            );
        }
        if ($run->notRead()) {
            $lines = $run->leftOver === 1 ? 'a line was' : "{$run->leftOver} lines were";

            return new self(
                why: "{$lines} not understood: that is no clean test",
                next: "Read the memory test of {$run->name} again: teach the reader the lines that it left over.",
                soak: $soak,
                passed: false,
                unproven: "the last memory test of {$run->name} is not read",
            );
        }
        $failed = "the last memory test of {$run->name} shows errors";
        $top = $run->top();
        if ($run->errors === 0) {
            return new self(soak: $soak, passed: true);
        }
        if ($top === null) {
            return new self(soak: $soak, passed: false, unproven: $failed);
        }
        $text = "{$run->name}: {$top->called}";
        $why = implode('; ', $run->reasons);

        return match (true) {
            $run->swap === null => new self(
                suspect: $text, why: $why, next: $top->action, soak: $soak, probability: $top->probability, passed: false, unproven: $failed,
            ),
            $run->swap->verdict === SwapVerdict::Confirmed => new self(
                suspect: "{$run->name}: the chip that was moved to {$top->ref}",
                why: $run->swap->text,
                next: "Replace the chip that sits in {$top->ref} now, then repeat the memory test of {$run->name}.",
                soak: $soak,
                probability: $top->probability,
                passed: false,
                unproven: $failed,
            ),
            default => new self(
                suspect: $text, why: "{$run->swap->text} {$why}", next: $run->swap->text, soak: $soak, probability: $top->probability, passed: false,
                unproven: $failed,
            ),
        };
    }
}
