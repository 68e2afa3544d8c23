<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** All numbers of a machine on one page. */
#[OA\Schema]
final readonly class SetupPage
{
    /**
     * @param list<SettingCard> $settings
     * @param list<SetupHeld>   $held
     * @param list<string>      $clashes
     * @param list<SetupPlan>   $plans
     * @param list<string>      $reasons
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
    ) {
    }
}
