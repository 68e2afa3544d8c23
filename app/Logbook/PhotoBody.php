<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\ApiBody;
use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\OrNull;
use Ash\Logbook\Entries\Phase;

/** A picture for the record. */
#[ApiBody(file: 'JPEG, PNG or WebP, at most 20 MB')]
final readonly class PhotoBody
{
    /** @param string $entry of the record, that it makes */
    public function __construct(
        #[Id]
        public string $id,
        #[Id]
        public string $entry,
        public \DateTimeImmutable $at,
        #[OrNull(emptyToo: true)]
        #[Text(300)]
        public ?string $caption = null,
        #[OrNull(emptyToo: true)]
        #[Text(160)]
        public ?string $of = null,
        #[OrNull(emptyToo: true)]
        public ?Phase $phase = null,
    ) {
    }
}
