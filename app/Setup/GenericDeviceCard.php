<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** A device as its age commonly made it. */
#[OA\Schema]
final readonly class GenericDeviceCard
{
    /**
     * @param list<KnownBlockCard> $blocks
     */
    public function __construct(
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $what,
        #[OA\Property]
        public string $source,
        #[OA\Property(type: 'array', items: new OA\Items(ref: KnownBlockCard::class))]
        public array $blocks,
    ) {
    }
}
