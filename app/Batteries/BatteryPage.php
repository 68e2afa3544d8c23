<?php

declare(strict_types=1);

namespace App\Batteries;

use App\Bench\ChoiceCard;
use App\Logbook\JobCard;
use App\Logbook\OpenItemCard;
use OpenApi\Attributes as OA;

/** What is known of a board's battery and its clock. */
#[OA\Schema]
final readonly class BatteryPage
{
    /**
     * @param list<string>       $notes
     * @param list<CircuitCard>  $circuits
     * @param list<ChoiceCard>   $states
     * @param list<ChoiceCard>   $chemistries
     * @param list<ChoiceCard>   $options
     * @param list<OpenItemCard> $tests
     * @param list<string>       $read
     * @param list<string>       $cautions
     */
    public function __construct(
        #[OA\Property()]
        public JobCard $job,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'latest first')]
        public array $notes,
        #[OA\Property(description: 'towards what the positive end lay')]
        public ?string $positive_towards,
        #[OA\Property()]
        public BoardNumbers $board,
        #[OA\Property(description: 'where the numbers come from, when that was noted')]
        public ?string $source,
        #[OA\Property(type: 'array', items: new OA\Items(ref: CircuitCard::class))]
        public array $circuits,
        #[OA\Property(description: 'what is reckoned with too, where nobody has looked whether the board charges')]
        public BoardNumbers $charging,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class), description: 'in which a battery is found')]
        public array $states,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $chemistries,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $options,
        #[OA\Property(type: 'array', items: new OA\Items(ref: OpenItemCard::class), description: 'clock tests that run')]
        public array $tests,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'clock tests that were read, latest first')]
        public array $read,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $cautions,
    ) {
    }
}
