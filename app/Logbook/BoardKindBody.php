<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\ApiBody;
use Ash\Document\Field\Text;

/** Which kind a board is of. */
#[ApiBody]
final readonly class BoardKindBody
{
    public function __construct(
        #[Text(40)]
        public string $kind,
    ) {
    }
}
