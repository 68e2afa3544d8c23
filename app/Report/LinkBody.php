<?php

declare(strict_types=1);

namespace App\Report;

use App\Http\ApiBody;
use Ash\Document\Field\Id;
use Ash\Document\Field\Whole;

/** A link for an owner. */
#[ApiBody]
final readonly class LinkBody
{
    /** @param ?string $id made by the client, so that a link that is sent twice is one link */
    public function __construct(
        #[Whole(1, 90)]
        public int $days,
        #[Id]
        public ?string $id = null,
    ) {
    }
}
