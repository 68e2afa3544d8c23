<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Http\ApiBody;
use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Document\OrNull;

/** A receipt or a count. */
#[ApiBody]
final readonly class MoveBody
{
    public function __construct(
        #[Id]
        public string $id,
        #[Whole(-ShelfBody::MOST, ShelfBody::MOST)]
        public ?int $change = null,
        #[Whole(0, ShelfBody::MOST)]
        public ?int $counted = null,
        #[OrNull]
        #[Text(200)]
        public ?string $note = null,
    ) {
    }
}
