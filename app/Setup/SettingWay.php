<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** A way in which a setting may stand. */
#[OA\Schema]
final readonly class SettingWay
{
    public function __construct(
        #[OA\Property]
        public string $value,
        #[OA\Property]
        public ?string $pins,
        #[OA\Property]
        public string $words,
    ) {
    }
}
