<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\Kept;
use Ash\Logbook\EntryData;

/** An item of the strip-down list put back. */
final readonly class PutBack implements EntryData
{
    public const KIND = 'rebuilt';

    /** @param list<Fixing>|null $fixings null: all that came out with it */
    public function __construct(
        #[Id]
        public string $item,
        #[Fixings]
        public ?array $fixings = null,
        #[Kept]
        #[Text]
        public string $what = '',
    ) {
    }

    public function sentence(string $text): string
    {
        return "Back in: {$this->what}";
    }
}
