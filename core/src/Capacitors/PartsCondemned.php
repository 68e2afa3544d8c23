<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Facts\Answered;
use Ash\Facts\Fact;

/** Capacitors of the board that stand at replace and were not exchanged. */
final readonly class PartsCondemned implements Fact
{
    /** @param non-empty-list<string> $parts */
    public function __construct(public array $parts)
    {
    }

    public function words(): string
    {
        return count($this->parts) > self::NAMED
            ? implode(', ', array_slice($this->parts, 0, self::NAMED)).' and '.(count($this->parts) - self::NAMED).' more'
            : implode(', ', $this->parts);
    }

    public function answer(): Answered
    {
        return new Answered('capacitors', 'replace', 'stand at replace: '.$this->words());
    }

    private const NAMED = 8;
}
