<?php

declare(strict_types=1);

namespace App\Memory;

use App\Http\ApiBody;
use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\OrNull;
use Ash\Memory\Pattern;

/** A capture begins. */
#[ApiBody]
final readonly class CaptureBody
{
    /** @param list<string>|null $tested banks; null for all */
    public function __construct(
        #[Id]
        public string $id,
        #[Text(60)]
        public string $map,
        #[Text(40)]
        public string $port,
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
