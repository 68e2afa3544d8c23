<?php

declare(strict_types=1);

namespace App\Batteries;

use Ash\Batteries\ClockCircuit;
use Ash\Quantity\Notation;
use OpenApi\Attributes as OA;

/** A clock circuit that a board may have, with its typical figures as they are typed. */
#[OA\Schema]
final readonly class CircuitCard
{
    public function __construct(
        #[OA\Property(enum: ClockCircuit::class)]
        public ClockCircuit $id,
        #[OA\Property()]
        public string $typical,
        #[OA\Property(description: 'null where the cell cannot be changed')]
        public ?BoardNumbers $numbers,
    ) {
    }

    /** @return list<self> */
    public static function all(): array
    {
        return array_map(static function (ClockCircuit $it): self {
            $figures = $it->figures();

            return new self($it, $it->typical(), $figures === null ? null : new BoardNumbers(
                Notation::plain($figures['keeps'], 6), Notation::plain($figures['stands'], 6), Notation::plain($figures['standby'] * 1e6, 4).'u', '', '', '0.3',
            ));
        }, ClockCircuit::cases());
    }
}
