<?php

declare(strict_types=1);

namespace App\Rails;

use OpenApi\Attributes as OA;

/** A rail of a profile in words. */
#[OA\Schema]
final readonly class RailCard
{
    /**
     * @param list<string> $protects
     * @param list<string> $feeds
     * @param list<string> $test_points
     */
    public function __construct(
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public string $nominal,
        #[OA\Property()]
        public string $tight,
        #[OA\Property()]
        public string $wide,
        #[OA\Property()]
        public ?string $ripple,
        #[OA\Property()]
        public bool $needs_load,
        #[OA\Property()]
        public bool $optional,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $protects,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $feeds,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $test_points,
    ) {
    }
}
