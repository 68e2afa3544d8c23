<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** A jumper block or a switch of a device. */
#[OA\Schema]
final readonly class SettingCard
{
    /**
     * @param list<SettingWay> $options
     * @param list<string>     $wrong   what proved wrong about it, here and on other jobs
     */
    public function __construct(
        #[OA\Property]
        public string $device,
        #[OA\Property]
        public string $block,
        #[OA\Property]
        public string $takes,
        #[OA\Property]
        public string $takes_words,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SettingWay::class))]
        public array $options,
        #[OA\Property]
        public int $at,
        #[OA\Property]
        public ?int $length,
        #[OA\Property]
        public string $says,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $wrong,
    ) {
    }
}
