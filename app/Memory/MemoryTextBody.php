<?php

declare(strict_types=1);

namespace App\Memory;

use App\Http\ApiBody;
use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\OrNull;
use Ash\Memory\Pattern;

/** What a memory test says, typed or pasted. */
#[ApiBody]
final readonly class MemoryTextBody
{
    /** @param list<string>|null $tested banks; null for all */
    public function __construct(
        #[Id]
        public string $id,
        #[Text(60)]
        public string $map,
        #[Pasted]
        public string $text,
        #[OrNull(emptyToo: true)]
        #[RadixGiven]
        public ?int $radix = null,
        #[OrNull(emptyToo: true)]
        public ?Pattern $pattern = null,
        #[OrNull(emptyToo: true)]
        #[BankNames]
        public ?array $tested = null,
    ) {
    }
}
