<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** A place in a row: a socket, or a gap. */
#[OA\Schema]
final readonly class SocketPlace
{
    public function __construct(
        #[OA\Property()]
        public ?SocketCard $socket,
    ) {
    }
}
