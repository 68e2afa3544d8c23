<?php

declare(strict_types=1);

namespace App\Memory;

use App\Http\ApiBody;
use Ash\Document\OrNull;
use Ash\Memory\Pattern;

/** A source is read again with other settings. */
#[ApiBody]
final readonly class ReadAgainBody
{
    /** @param list<string>|null $tested banks; null for all */
    public function __construct(
        #[Pasted]
        public ?string $text = null,
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
