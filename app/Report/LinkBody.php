<?php

declare(strict_types=1);

namespace App\Report;

use App\Http\ApiBody;
use Ash\Document\Field\Whole;

/** A link for an owner. */
#[ApiBody]
final readonly class LinkBody
{
    public function __construct(
        #[Whole(1, 90)]
        public int $days,
    ) {
    }
}
