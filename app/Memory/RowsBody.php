<?php

declare(strict_types=1);

namespace App\Memory;

use App\Http\ApiBody;
use Ash\Document\Field\AnyObject;
use Ash\Document\Field\Text;

/** A memory as rows of chips. */
#[ApiBody]
final readonly class RowsBody
{
    public function __construct(
        #[Text(80)]
        public string $name,
        #[AnyObject]
        public \stdClass $rows,
    ) {
    }
}
