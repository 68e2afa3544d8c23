<?php

declare(strict_types=1);

namespace App\Setup;

use App\Bench\ChoiceCard;
use OpenApi\Attributes as OA;

/** Drives, their attempts, and the disks that were copied. */
#[OA\Schema]
final readonly class DisksPage
{
    /**
     * @param list<DriveCard>      $drives
     * @param list<DiskCopyCard>   $copies
     * @param list<DamagingCard>   $damaging
     * @param list<DiskFormatCard> $formats
     * @param list<ChoiceCard>     $outcomes
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
        #[OA\Property(type: 'array', items: new OA\Items(ref: DriveCard::class))]
        public array $drives,
        #[OA\Property]
        public ?string $session,
        #[OA\Property(type: 'array', items: new OA\Items(ref: DiskCopyCard::class))]
        public array $copies,
        #[OA\Property(type: 'array', items: new OA\Items(ref: DamagingCard::class))]
        public array $damaging,
        #[OA\Property(type: 'array', items: new OA\Items(ref: DiskFormatCard::class))]
        public array $formats,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $outcomes,
        #[OA\Property(description: 'rows of the table of fixed disks that this kind of machine has')]
        public int $drive_types,
    ) {
    }
}
