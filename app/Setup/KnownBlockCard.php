<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** A setting that a device has, wherever it stands. */
#[OA\Schema]
final readonly class KnownBlockCard
{
    /**
     * @param list<SettingWay> $options
     * @param list<string>     $wrong
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
        public ?int $length,
        #[OA\Property]
        public ?string $source,
        #[OA\Property]
        public string $line,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $wrong,
    ) {
    }
}
