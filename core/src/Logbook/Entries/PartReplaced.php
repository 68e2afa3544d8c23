<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Document\Kept;
use Ash\Facts\FittedPart;
use Ash\Facts\Polarity;
use Ash\Logbook\EntryData;

/** A part replaced. */
final readonly class PartReplaced implements EntryData
{
    public const KIND = 'part';

    /**
     * @param ?string $shelf  the part of the shelf it was taken from
     * @param ?string $keptAt where the original is kept
     * @param ?string $sku    stock number of the part of the shelf
     */
    public function __construct(
        #[Text(60)]
        public string $designator,
        #[Text(120)]
        public ?string $from,
        #[Text(120)]
        public string $to,
        #[Text(120)]
        public ?string $source = null,
        #[Text(20)]
        public ?string $dateCode = null,
        #[Id]
        public ?string $shelf = null,
        #[Whole(1, 10_000)]
        public ?int $quantity = null,
        public ?Polarity $polarity = null,
        #[Text(120)]
        public ?string $keptAt = null,
        #[Kept]
        #[Text]
        public ?string $sku = null,
        #[Kept]
        public ?FittedPart $fitted = null,
    ) {
    }

    public function sentence(string $text): string
    {
        return $this->designator.($this->from === null ? '' : ": {$this->from}")." to {$this->to}"
            .($this->source === null ? '' : ", from {$this->source}").($this->dateCode === null ? '' : ", date code {$this->dateCode}")
            .($this->polarity === null ? '' : ", stripe at {$this->polarity->value}")
            .($this->keptAt === null ? '' : "; the original is kept in {$this->keptAt}");
    }
}
