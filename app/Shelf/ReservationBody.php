<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Http\ApiBody;
use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;

/** Parts are set aside for a job. */
#[ApiBody]
final readonly class ReservationBody
{
    public function __construct(
        #[Id]
        public string $id,
        #[Text(40)]
        public string $job,
        #[Whole(1, ShelfBody::MOST)]
        public int $quantity,
    ) {
    }
}
