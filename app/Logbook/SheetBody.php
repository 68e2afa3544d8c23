<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\ApiBody;
use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\OrNull;

/** A sheet, a listing or a ROM dump of a kind. */
#[ApiBody(file: 'of any type, at most 50 MB; it is kept to the byte')]
final readonly class SheetBody
{
    public function __construct(
        #[Id]
        public string $id,
        public SheetSort $what,
        #[OrNull(emptyToo: true)]
        #[Text(300)]
        public ?string $note = null,
    ) {
    }
}
