<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Bench\StripCard;
use Ash\Capacitors\PartVerdict;
use Ash\Facts\CapacitorKind;
use OpenApi\Attributes as OA;

/** A capacitor of the board. */
#[OA\Schema]
final readonly class CapCard
{
    /**
     * @param list<string> $siblings
     * @param list<string> $reasons
     * @param list<string> $looks
     * @param list<string> $rework
     */
    public function __construct(
        #[OA\Property()]
        public string $key,
        #[OA\Property()]
        public ?string $ref,
        #[OA\Property()]
        public string $place,
        #[OA\Property()]
        public string $words,
        #[OA\Property()]
        public bool $known,
        #[OA\Property(enum: CapacitorKind::class)]
        public ?CapacitorKind $kind,
        #[OA\Property()]
        public ?string $rail,
        #[OA\Property(description: 'when it was found while walking')]
        public ?string $entry_id,
        #[OA\Property(
            type: 'object',
            nullable: true,
            additionalProperties: true,
            description: 'what was written down of it then, for the form that says it anew',
        )]
        public ?object $found,
        #[OA\Property(description: 'the question it waits with')]
        public ?string $waiting,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $siblings,
        #[OA\Property()]
        public ?string $guess,
        #[OA\Property(description: 'as it was read last')]
        public ?string $value,
        #[OA\Property()]
        public ?string $esr,
        #[OA\Property(description: 'keep, watch or replace', enum: PartVerdict::class)]
        public ?PartVerdict $verdict,
        #[OA\Property()]
        public bool $proven,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $looks,
        #[OA\Property()]
        public bool $in_circuit,
        #[OA\Property()]
        public ?string $reading_id,
        #[OA\Property()]
        public ?string $previous,
        #[OA\Property(description: 'by what')]
        public ?string $replaced,
        #[OA\Property()]
        public StripCard $strip,
        #[OA\Property()]
        public ?StripCard $esr_strip,
        #[OA\Property()]
        public string $limits,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $rework,
        #[OA\Property()]
        public bool $polarised,
    ) {
    }
}
