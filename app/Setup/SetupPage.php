<?php

declare(strict_types=1);

namespace App\Setup;

use App\Bench\ChoiceCard;
use OpenApi\Attributes as OA;

/** All numbers of a machine on one page. */
#[OA\Schema]
final readonly class SetupPage
{
    /**
     * @param list<SettingCard>       $settings
     * @param list<SetupHeld>         $held
     * @param list<string>            $clashes
     * @param list<SetupPlan>         $plans
     * @param list<string>            $reasons
     * @param list<SeenCard>          $seen
     * @param list<KnownBlockCard>    $known    of this kind of machine, and not written down here yet
     * @param list<GenericDeviceCard> $generic
     * @param list<ChoiceCard>        $takes
     * @param list<string>            $devices  names that are there: boards of the machine, and what has a setting
     * @param list<string>            $moves    at the chain and at the cable
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
        #[OA\Property(type: 'array', items: new OA\Items(ref: SettingCard::class))]
        public array $settings,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SetupHeld::class))]
        public array $held,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $clashes,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SetupPlan::class))]
        public array $plans,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
        #[OA\Property]
        public string $example,
        #[OA\Property]
        public ?CableCard $chain,
        #[OA\Property]
        public ?CableCard $cable,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SeenCard::class))]
        public array $seen,
        #[OA\Property(type: 'array', items: new OA\Items(ref: KnownBlockCard::class))]
        public array $known,
        #[OA\Property(type: 'array', items: new OA\Items(ref: GenericDeviceCard::class))]
        public array $generic,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $takes,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $moves,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $devices,
        #[OA\Property(description: 'things were said that could clash, and none does')]
        public bool $clear,
    ) {
    }
}
