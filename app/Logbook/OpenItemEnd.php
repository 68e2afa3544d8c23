<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\OpenKind;
use OpenApi\Attributes as OA;

/** The entry that ends an open thing with one press. */
#[OA\Schema]
final readonly class OpenItemEnd
{
    public function __construct(
        #[OA\Property(description: 'of the entry')]
        public string $kind,
        #[OA\Property(description: 'of its data, that names the open thing')]
        public string $field,
        #[OA\Property()]
        public string $words,
    ) {
    }

    public static function of(OpenKind $kind): ?self
    {
        return $kind->endedBy === null ? null : new self($kind->endedBy, (string) $kind->field, (string) $kind->endWords);
    }
}
