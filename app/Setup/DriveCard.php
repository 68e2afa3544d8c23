<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** A drive with what its label says and how it was tried. */
#[OA\Schema]
final readonly class DriveCard
{
    /**
     * @param list<string>       $reasons
     * @param list<DriveTryCard> $tries
     */
    public function __construct(
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public ?string $says,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
        #[OA\Property(type: 'array', items: new OA\Items(ref: DriveTryCard::class))]
        public array $tries,
    ) {
    }
}
