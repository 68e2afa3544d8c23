<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Field\Text;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Logbook\EntryData;

/** What rails a supply gives, of which nothing was known: a family it looks like, or its label in one line. */
final readonly class RailsSaid implements EntryData, Settled
{
    public const KIND = 'rails_said';

    public function __construct(public ?Family $family = null, #[Text(400)] public ?string $label = null)
    {
    }

    public function settled(Node $read): static
    {
        ($this->family === null) !== ($this->label === null) || $read->refuse('must have family or label, and not both');
        $this->rails() !== [] || $read->at($this->family === null ? 'label' : 'family')->refuse(
            $this->family === null ? 'has no rail that can be read: write +5 6A, +12 1.5A, -12' : 'has rails only by its label: type what it says',
        );

        return $this;
    }

    /** @return list<array<string, mixed>> as a description holds them, each with its source */
    public function rails(): array
    {
        $source = $this->family?->source() ?? 'from the label';
        $rails = $this->family?->rails() ?? LabelLine::read((string) $this->label)->rails;

        return array_map(static fn (array $rail): array => [...$rail, 'source' => $source], $rails);
    }

    public function sentence(string $text): string
    {
        $names = implode(', ', array_map(static fn (array $rail): string => is_string($rail['name'] ?? null) ? $rail['name'] : '', $this->rails()));

        return $this->family === null ? "Rails from the label: {$names}" : "Rails as of the family {$this->family->value}: {$names}";
    }
}
