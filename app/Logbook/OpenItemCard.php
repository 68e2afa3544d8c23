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
