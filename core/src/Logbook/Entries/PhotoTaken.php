<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Logbook\EntryData;

/** A picture, what it shows, and whether that was before or after the work. */
final readonly class PhotoTaken implements EntryData, Settled
{
    public const KIND = 'photo';

    public function __construct(#[Id] public string $photo, #[Text(160)] public ?string $of = null, public ?Phase $phase = null)
    {
    }

    public function settled(Node $read): static
    {
        $this->phase === null || $read->at('of');

        return $this;
    }

    public function sentence(string $text): string
    {
        return 'Photo'.($this->of === null ? '' : " of {$this->of}").($this->phase === null ? '' : ", {$this->phase->value}");
    }
}
