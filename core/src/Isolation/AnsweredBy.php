<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Node;
use Ash\Facts\Answered;

/** Which findings of a room count as one outcome of a test. */
final readonly class AnsweredBy
{
    private const FINDINGS = 20;

    /** @param list<string> $findings */
    private function __construct(public string $room, private array $findings, private ?string $under, public string $outcome)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('room', 'finding', 'under', 'outcome');
        $findings = array_map(static fn (Node $it): string => $it->name(), $node->at('finding')->items(self::FINDINGS));
        $findings !== [] || $node->at('finding')->refuse('must name at least one finding');

        return new self($node->at('room')->name(), $findings, $node->optional('under')?->name(), $node->at('outcome')->name());
    }

    public function fits(Answered $it): bool
    {
        return $it->room === $this->room && in_array($it->finding, $this->findings, true) && ($this->under === null || $it->under === $this->under);
    }
}
