<?php

declare(strict_types=1);

namespace App\Instruments;

use OpenApi\Attributes as OA;

/** The stand-in's scenes. */
#[OA\Schema]
final readonly class SceneCard
{
    /**
     * @param list<string> $scenes
     */
    public function __construct(
        #[OA\Property()]
        public string $scene,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $scenes,
    ) {
    }
}
