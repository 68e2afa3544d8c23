<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Http\ApiBody;
use Ash\Document\Field\Text;
use Ash\Document\OrNull;
use Ash\Facts\CapacitorKind;

/** A marking. */
#[ApiBody]
final readonly class DecodeBody
{
    public function __construct(
        #[Text(60)]
        public string $marking,
        #[OrNull]
        public ?CapacitorKind $kind = null,
    ) {
    }
}
