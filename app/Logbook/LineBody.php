<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\ApiBody;
use Ash\Document\Field\Text;

/** A line as it is typed. */
#[ApiBody]
final readonly class LineBody
{
    public function __construct(
        #[Text(2000)]
        public string $line,
    ) {
    }
}
