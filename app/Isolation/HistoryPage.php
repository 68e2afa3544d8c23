<?php

declare(strict_types=1);

namespace App\Isolation;

use App\Bench\ChoiceCard;
use OpenApi\Attributes as OA;

/** What cured a symptom before, and which parts of a kind fail most. */
#[OA\Schema]
final readonly class HistoryPage
{
    /**
     * @param list<ChoiceCard>  $symptoms
     * @param list<CuredRow>    $causes
     * @param list<FailingPart> $parts
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $symptoms,
        #[OA\Property(type: 'array', items: new OA\Items(ref: CuredRow::class))]
        public array $causes,
        #[OA\Property()]
        public ?string $counted,
        #[OA\Property(type: 'array', items: new OA\Items(ref: FailingPart::class))]
        public array $parts,
    ) {
    }
}
