<?php

declare(strict_types=1);

namespace App\Rails;

use App\Http\ApiBody;
use Ash\Document\Field\Id;
use Ash\Document\Field\Text;

/** A probe run begins. */
#[ApiBody]
final readonly class RunBody
{
    public function __construct(
        #[Id]
        public string $id,
        #[Text(40)]
        public ?string $repeats = null,
        #[Text(40)]
        public ?string $board = null,
    ) {
    }
}
