<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\NotNegative;
use Ash\Document\Field\Text;
use Ash\Quantity\Notation;

/** Under what a memory test ran. Errors that come only warm, only cold or only after a pause point to refresh or to a weak cell. */
final readonly class Condition
{
    public function __construct(
        public ?Warmth $warmth = null,
        #[NotNegative]
        public ?float $minutesOn = null,
        #[NotNegative]
        public ?float $pauseMin = null,
        #[Text(120)]
        public ?string $knownGood = null,
    ) {
    }

    public function words(): string
    {
        return implode(', ', array_filter([
            $this->warmth?->value,
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
            $this->warmth !== $other->warmth && $this->warmth !== null && $other->warmth !== null => [$this->warmth->value, $other->warmth->value],
            ($this->pauseMin === null) !== ($other->pauseMin === null) => [
                $this->pauseMin === null ? 'without a pause' : 'after a pause',
                $other->pauseMin === null ? 'without a pause' : 'after a pause',
            ],
            $this->knownGood !== $other->knownGood => [
                $this->knownGood === null ? 'as it was' : "with {$this->knownGood}",
                $other->knownGood === null ? 'as it was' : "with {$other->knownGood}",
            ],
            default => null,
        };
    }

    /** Temperature and rest decide what a weak cell does; a part that was changed decides something else. */
    public function partDiffers(self $other): bool
    {
        return $this->knownGood !== $other->knownGood && ($this->warmth === $other->warmth || $this->warmth === null || $other->warmth === null);
    }
}
