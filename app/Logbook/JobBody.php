<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\ApiBody;
use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;

/** A machine is taken in. */
#[ApiBody]
final readonly class JobBody
{
    public function __construct(
        #[Id]
        public string $id,
        #[Text(40)]
        public string $machine,
        #[Text(40)]
        public string $board,
        #[Text(160)]
        public string $title,
        #[Text(160)]
        public string $owner,
        public \DateTimeImmutable $at,
        #[Whole(1, 60_000)]
        public ?int $allowanceMinutes = null,
    ) {
    }
}
