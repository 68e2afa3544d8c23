<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** A way out with the fewest moves. */
#[OA\Schema]
final readonly class SetupPlan
{
    /**
     * @param list<SettingMove> $moves
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: SettingMove::class))]
        public array $moves,
    ) {
    }
}
