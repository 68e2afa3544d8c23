<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** The strip-down list as it is put back: reversed, ticked, with what is left over. */
#[OA\Schema]
final readonly class StripPage
{
    /**
     * @param list<StripRow> $rows
     * @param list<string>   $open
     * @param list<string>   $known
     * @param list<string>   $cautions
     */
    public function __construct(
        #[OA\Property()]
        public JobCard $job,
        #[OA\Property(type: 'array', items: new OA\Items(ref: StripRow::class), description: 'last out is first in')]
        public array $rows,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'what stands in the way of calling it rebuilt')]
        public array $open,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'which way round connectors sit, from the machine\'s profile')]
        public array $known,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $cautions,
    ) {
    }
}
