<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Node;

/** A known cause of a symptom. */
final readonly class LibraryCause
{
    /**
     * @param float   $weight relative to the symptom's other causes: a bench estimate
     * @param ?string $part   that is bad; null when no part is (a setting)
     * @param string  $shows  how it shows
     */
    private function __construct(public string $id, public float $weight, public ?string $part, public string $shows)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('id', 'weight', 'part', 'shows');

        return new self($node->at('id')->name(), $node->at('weight')->positive(), $node->optional('part')?->name(), $node->at('shows')->text(200));
    }

    /** Beside so many closed jobs that it turned out to be. */
    public function and(int $jobs): self
    {
        return new self($this->id, $this->weight + $jobs, $this->part, $this->shows);
    }

    public function words(): string
    {
        return strtr($this->id, '_', ' ');
    }
}
