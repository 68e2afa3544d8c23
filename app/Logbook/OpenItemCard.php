<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A temporary fix or a waiting that has not ended. */
#[OA\Schema]
final readonly class OpenItemCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $job_id,
        #[OA\Property()]
        public string $job_label,
        #[OA\Property()]
        public string $kind,
        #[OA\Property()]
        public string $kind_words,
        #[OA\Property(description: 'the board should not go back before it has ended')]
        public bool $urgent,
        #[OA\Property(description: 'the entry that ends it with one press; null when more must be said')]
        public ?OpenItemEnd $ends,
        #[OA\Property()]
        public string $text,
        #[OA\Property()]
        public ?string $asked,
        #[OA\Property()]
        public string $since,
        #[OA\Property(description: 'when it has its time; null for what has none')]
        public ?string $due,
        #[OA\Property(description: 'its time has come')]
        public bool $is_due,
        #[OA\Property(description: 'where what it waits for lies now')]
        public ?string $ready,
    ) {
    }
}
