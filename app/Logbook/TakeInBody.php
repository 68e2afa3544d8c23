<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\ApiBody;
use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;

/** A machine comes in that may be known or not: only a name is needed. */
#[ApiBody]
final readonly class TakeInBody
{
    /**
     * @param string  $id      of the job
     * @param ?string $machine one that is known
     * @param ?string $kind    a new specimen of a kind that is known
     * @param ?string $name    of a machine of which nothing is known; of the specimen, with a kind
     * @param bool    $alone   a board that came without its machine
     * @param ?string $board   of a machine that is known; its first one when nothing is said
     */
    public function __construct(
        #[Id]
        public string $id,
        public \DateTimeImmutable $at,
        #[Text(40)]
        public ?string $machine = null,
        #[Text(40)]
        public ?string $kind = null,
        #[Text(110)]
        public ?string $name = null,
        #[Text(60)]
        public ?string $serial = null,
        #[Text(40)]
        public ?string $board = null,
        #[Text(160)]
        public ?string $owner = null,
        #[Text(2000)]
        public ?string $symptom = null,
        #[Text(160)]
        public ?string $title = null,
        #[Whole(1, 60_000)]
        public ?int $allowanceMinutes = null,
        public bool $alone = false,
    ) {
    }
}
