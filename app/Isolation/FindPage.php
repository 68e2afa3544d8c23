<?php

declare(strict_types=1);

namespace App\Isolation;

use App\Bench\ChoiceCard;
use OpenApi\Attributes as OA;

/** Finding the fault of a job. */
#[OA\Schema]
final readonly class FindPage
{
    /**
     * @param list<ChoiceCard>    $symptoms
     * @param list<CauseRow>      $causes
     * @param list<TestRow>       $tests
     * @param list<string>        $reasons
     * @param list<CountedUnder>  $conditions
     * @param list<TwoConditions> $compared
     * @param list<ChoiceCard>    $outcomes
     */
    public function __construct(
        #[OA\Property()]
        public string $job_id,
        #[OA\Property()]
        public string $job_label,
        #[OA\Property()]
        public string $job_title,
        #[OA\Property()]
        public bool $open,
        #[OA\Property(description: 'the gates are open: the board may be powered')]
        public bool $powered,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $symptoms,
        #[OA\Property()]
        public ?string $symptom,
        #[OA\Property(description: 'what to look at first')]
        public ?string $first,
        #[OA\Property(type: 'array', items: new OA\Items(ref: CauseRow::class), description: 'best first')]
        public array $causes,
        #[OA\Property(type: 'array', items: new OA\Items(ref: TestRow::class), description: 'what can be made, best first; what is blocked; what was made')]
        public array $tests,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
        #[OA\Property(description: 'how much of the weights is this shop\'s own')]
        public ?string $weights,
        #[OA\Property(description: 'the cause that it turned out to be')]
        public ?string $found,
        #[OA\Property()]
        public SwapsCard $swaps,
        #[OA\Property(type: 'array', items: new OA\Items(ref: CountedUnder::class), description: 'under which failures were counted')]
        public array $conditions,
        #[OA\Property(type: 'array', items: new OA\Items(ref: TwoConditions::class), description: 'two by two, the least likely to be chance first')]
        public array $compared,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class), description: 'of a run of swaps')]
        public array $outcomes,
    ) {
    }
}
