<?php

declare(strict_types=1);

namespace App\Logbook;

use Carbon\CarbonImmutable;

/** A machine as it is taken in. */
final readonly class Intake
{
    /** @param ?int $allowanceMinutes null: as many as usual */
    public function __construct(
        public string $id,
        public Board $board,
        public string $title,
        public string $owner,
        public CarbonImmutable $at,
        public ?int $allowanceMinutes = null,
    ) {
    }
}
