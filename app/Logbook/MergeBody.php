<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\ApiBody;
use Ash\Document\Field\Text;

/** The other one, which is the same; whether it is done, or only looked at. */
#[ApiBody]
final readonly class MergeBody
{
    public function __construct(
        #[Text(40)]
        public string $other,
        public bool $done = false,
    ) {
    }
}
