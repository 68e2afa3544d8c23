<?php

declare(strict_types=1);

namespace AshStandins\Tester;

/** One connection to the console. */
final class Client
{
    public bool $control = false;
    public string $unsent = '';
    public string $buffer = '';
    public float $due = 0.0;

    /** @var \Generator<int, array{float, string}>|null */
    public ?\Generator $lines = null;

    /** @param resource $socket */
    public function __construct(public readonly mixed $socket, public readonly float $since)
    {
    }
}
