<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\ApiBody;
use Ash\Document\Field\Id;
use Ash\Document\Field\Text;

/** A line as it is typed, and the job it is meant for. */
#[ApiBody]
final readonly class LineBody
{
    public function __construct(
        #[Text(2000)]
        public string $line,
        #[Id]
        public ?string $job = null,
    ) {
    }
}
