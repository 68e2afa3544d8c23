<?php

declare(strict_types=1);

namespace App\Rails;

use Ash\Facts\PowerOn;
use Ash\Rails\Load;
use OpenApi\Attributes as OA;

/** A rail run as it stands. */
#[OA\Schema]
final readonly class RailRunPage
{
    /**
     * @param list<ChoiceLoad> $loads
     * @param list<StepCard>   $steps
     * @param list<CauseCard>  $causes
     * @param list<string>     $power_on_reasons
     * @param list<PathCard>   $paths
     * @param list<string>     $shorts
     * @param list<string>     $cautions
     */
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $job_id,
        #[OA\Property()]
        public string $job_label,
        #[OA\Property()]
        public string $job_title,
        #[OA\Property()]
        public string $board,
        #[OA\Property()]
        public string $machine,
        #[OA\Property(enum: Load::class, description: 'null: nobody has said yet what hangs on the supply')]
        public ?Load $load,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceLoad::class))]
        public array $loads,
        #[OA\Property()]
        public ?string $repeats_id,
        #[OA\Property(type: 'array', items: new OA\Items(ref: StepCard::class))]
        public array $steps,
        #[OA\Property()]
        public ?LiveCard $live,
        #[OA\Property(type: 'array', items: new OA\Items(ref: CauseCard::class))]
        public array $causes,
        #[OA\Property(enum: PowerOn::class)]
        public PowerOn $power_on,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $power_on_reasons,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PathCard::class))]
        public array $paths,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'rails that are shorted, and where the short is nearest')]
        public array $shorts,
        #[OA\Property(description: 'resistance to ground was read on this run')]
        public bool $has_ohms,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $cautions,
    ) {
    }
}
