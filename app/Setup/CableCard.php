<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** A chain or a cable as it was written down: what hangs on it, what is wrong with it, what mends it. */
#[OA\Schema]
final readonly class CableCard
{
    /**
     * @param list<HangingCard> $devices
     * @param list<string>      $problems
     * @param list<string>      $moves
     */
    public function __construct(
        #[OA\Property]
        public string $says,
        #[OA\Property(type: 'array', items: new OA\Items(ref: HangingCard::class))]
        public array $devices,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $problems,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $moves,
        #[OA\Property(ref: '#/components/schemas/AnyDocument', description: 'the data of the entry after the moves')]
        public \stdClass $mended,
    ) {
    }
}
