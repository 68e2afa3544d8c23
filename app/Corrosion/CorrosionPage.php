<?php

declare(strict_types=1);

namespace App\Corrosion;

use App\Bench\ChoiceCard;
use App\Logbook\JobCard;
use App\Logbook\OpenItemCard;
use OpenApi\Attributes as OA;

/** The leak survey of a job, the work list that follows from it, and the continuity of what it touched. */
#[OA\Schema]
final readonly class CorrosionPage
{
    /**
     * @param list<PlaceCard>    $places
     * @param list<string>       $carrying
     * @param list<PlanStep>     $plan
     * @param list<string>       $told
     * @param list<ChoiceCard>   $substances
     * @param list<string>       $holds
     * @param list<string>       $carries
     * @param list<string>       $grades
     * @param list<string>       $forbids
     * @param list<ChoiceCard>   $chemistries
     * @param list<OpenItemCard> $repairs
     * @param list<string>       $cautions
     */
    public function __construct(
        #[OA\Property()]
        public JobCard $job,
        #[OA\Property(description: 'name of the board at hand')]
        public string $board,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PlaceCard::class), description: 'worst first')]
        public array $places,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'places that carry something: continuity is measured there')]
        public array $carrying,
        #[OA\Property(description: 'of the battery that leaked; null while nobody has said')]
        public ?string $chemistry,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PlanStep::class))]
        public array $plan,
        #[OA\Property()]
        public string $school,
        #[OA\Property()]
        public string $drying,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'what is said beside the list')]
        public array $told,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $substances,
        #[OA\Property(description: 'why there is no plan')]
        public ?string $refused,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $holds,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $carries,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $grades,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'what forbids a bath of the whole board')]
        public array $forbids,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $chemistries,
        #[OA\Property(type: 'array', items: new OA\Items(ref: OpenItemCard::class))]
        public array $repairs,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $cautions,
    ) {
    }
}
