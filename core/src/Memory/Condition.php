<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;
use Ash\Quantity\Notation;

/** Under what a memory test ran. Errors that come only warm, only cold or only after a pause point to refresh or to a weak cell. */
final readonly class Condition
{
    private function __construct(public ?string $warmth, public ?float $minutesOn, public ?float $pauseMin, public ?string $knownGood)
    {
    }

    public static function read(?Node $node): self
    {
        if ($node === null) {
            return new self(null, null, null, null);
        }
        $warmth = $node->only('warmth', 'minutes_on', 'pause_min', 'known_good')->optional('warmth')?->string();
        $warmth === null || in_array($warmth, ['cold', 'warm'], true) || $node->at('warmth')->refuse('must be cold or warm');

        return new self($warmth, $node->optional('minutes_on')?->notNegative(), $node->optional('pause_min')?->notNegative(), $node->optional('known_good')?->text(120));
    }

    /** @return array<string, mixed> */
    public function document(): array
    {
        return array_filter(['warmth' => $this->warmth, 'minutes_on' => $this->minutesOn, 'pause_min' => $this->pauseMin, 'known_good' => $this->knownGood], static fn (mixed $it): bool => $it !== null);
    }

    public function words(): string
    {
        return implode(', ', array_filter([
            $this->warmth,
            $this->minutesOn === null ? null : Notation::plain($this->minutesOn).' min after power-on',
            $this->pauseMin === null ? null : 'after a pause of '.Notation::plain($this->pauseMin).' min',
            $this->knownGood === null ? null : "with {$this->knownGood}",
        ])) ?: 'condition not noted';
    }

    /**
     * In which respect two runs differ, as the words of each; null when they were alike.
     *
     * @return array{string, string}|null
     */
    public function against(self $other): ?array
    {
        return match (true) {
            $this->warmth !== $other->warmth && $this->warmth !== null && $other->warmth !== null => [$this->warmth, $other->warmth],
            ($this->pauseMin === null) !== ($other->pauseMin === null) => [$this->pauseMin === null ? 'without a pause' : 'after a pause', $other->pauseMin === null ? 'without a pause' : 'after a pause'],
            $this->knownGood !== $other->knownGood => [$this->knownGood === null ? 'as it was' : "with {$this->knownGood}", $other->knownGood === null ? 'as it was' : "with {$other->knownGood}"],
            default => null,
        };
    }

    /** Temperature and rest decide what a weak cell does; a part that was changed decides something else. */
    public function partDiffers(self $other): bool
    {
        return $this->knownGood !== $other->knownGood && ($this->warmth === $other->warmth || $this->warmth === null || $other->warmth === null);
    }
}
