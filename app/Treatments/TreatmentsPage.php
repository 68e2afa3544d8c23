<?php

declare(strict_types=1);

namespace App\Treatments;

use App\Bench\ChoiceCard;
use OpenApi\Attributes as OA;

/** The treatments of a job. */
#[OA\Schema]
final readonly class TreatmentsPage
{
    /**
     * @param list<ChoiceCard>    $damages
     * @param list<ChoiceCard>    $materials
     * @param list<ChoiceCard>    $flags
     * @param list<TreatmentCard> $treatments
     * @param list<string>        $vessels
     * @param list<PartColours>   $colours
     * @param list<ChoiceCard>    $dilutable
     */
    public function __construct(
        #[OA\Property]
        public string $job_id,
        #[OA\Property]
        public string $job_label,
        #[OA\Property]
        public string $job_title,
        #[OA\Property]
        public bool $open,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $damages,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $materials,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $flags,
        #[OA\Property(type: 'array', items: new OA\Items(ref: TreatmentCard::class))]
        public array $treatments,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $vessels,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PartColours::class))]
        public array $colours,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $dilutable,
    ) {
    }
}
