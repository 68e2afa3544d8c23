<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\ApiBody;
use Ash\Document\Field\Text;

/** The boards of a place get a kind of their own; whether it is done, or only looked at. */
#[ApiBody]
final readonly class SplitBody
{
    /** @param ?string $name of the new kind; after the machine's kind and the board when nothing is said */
    public function __construct(
        #[Text(40)]
        public string $place,
        #[Text(110)]
        public ?string $name = null,
        public bool $done = false,
    ) {
    }
}
