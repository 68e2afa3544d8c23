<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** A setting that goes from one way to another. */
#[OA\Schema]
final readonly class SettingMove
{
    public function __construct(
        #[OA\Property]
        public SettingCard $setting,
        #[OA\Property]
        public int $to,
        #[OA\Property]
        public string $words,
    ) {
    }
}
