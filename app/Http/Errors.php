<?php

declare(strict_types=1);

namespace App\Http;

use OpenApi\Attributes as OA;

/** Why a request was refused. */
#[OA\Schema]
final readonly class Errors
{
    /**
     * @param list<Fault> $errors
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: Fault::class))]
        public array $errors,
    ) {
    }
}
