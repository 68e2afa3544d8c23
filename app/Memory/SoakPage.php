<?php

declare(strict_types=1);

namespace App\Memory;

use App\Bench\ChoiceCard;
use App\Instruments\SerialPortCard;
use App\Logbook\JobCard;
use OpenApi\Attributes as OA;

/** The soaks of a job. */
#[OA\Schema]
final readonly class SoakPage
{
    /**
     * @param list<MemoryMapCard>  $maps
     * @param list<string>         $kept
     * @param list<SerialPortCard> $ports
     * @param list<ChoiceCard>     $patterns
     * @param list<string>         $cautions
     */
    public function __construct(
        #[OA\Property()]
        public JobCard $job,
        #[OA\Property(type: 'array', items: new OA\Items(ref: MemoryMapCard::class))]
        public array $maps,
        #[OA\Property()]
        public ?SourceCard $listening,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $kept,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SerialPortCard::class))]
        public array $ports,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $patterns,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $cautions,
    ) {
    }
}
