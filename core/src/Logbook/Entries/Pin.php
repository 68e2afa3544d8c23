<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Between;
use Ash\Document\Field\Id;
use Ash\Document\Field\Whole;
use Ash\Document\Kept;
use Ash\Logbook\EntryData;

/** A numbered place on a picture, as shares of its width and height. */
final readonly class Pin implements EntryData
{
    public const KIND = 'pin';

    public function __construct(
        #[Id]
        public string $photo,
        #[Between(0, 1)]
        public float $x,
        #[Between(0, 1)]
        public float $y,
        #[Kept]
        #[Whole(1)]
        public ?int $number = null,
    ) {
    }

    public function sentence(string $text): string
    {
        return "Pin {$this->number}: {$text}";
    }
}
