<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Bench\ChoiceCard;
use App\Logbook\JobCard;
use OpenApi\Attributes as OA;

/** The capacitors of a job. */
#[OA\Schema]
final readonly class CapacitorPage
{
    /**
     * @param list<CapCard>    $caps
     * @param list<PolicyCard> $policies
     * @param list<string>     $to_replace
     * @param list<LookCard>   $looks
     * @param list<ChoiceCard> $kinds
     * @param list<ChoiceCard> $positions
     * @param list<string>     $rails
     * @param list<ChoiceCard> $policy_choices
     * @param list<ChoiceCard> $rework
     * @param list<ChoiceCard> $traces
     * @param list<string>     $cautions
     */
    public function __construct(
        #[OA\Property()]
        public JobCard $job,
        #[OA\Property(type: 'array', items: new OA\Items(ref: CapCard::class))]
        public array $caps,
        #[OA\Property(description: 'the one to measure next')]
        public ?string $live,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PolicyCard::class))]
        public array $policies,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $to_replace,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LookCard::class))]
        public array $looks,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $kinds,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $positions,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $rails,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $rework,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class), description: 'what may be decided of a kind')]
        public array $policy_choices,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class), description: 'places of the continuity run')]
        public array $traces,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $cautions,
        #[OA\Property(description: 'the next designator of the walk')]
        public ?string $offered,
        #[OA\Property(description: 'the next one with the value of the last')]
        public ?string $same,
    ) {
    }
}
