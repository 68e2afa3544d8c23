<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Rails\Judgement;
use Ash\Rails\PowerOn;

/** What the record says of a job, gathered for the rules that read it. Times are not in it: rules do not ask the clock. */
final readonly class JobFacts
{
    /**
     * @param list<string>                                                             $hazards     open temporary fixes
     * @param list<array{for: string, asked: ?string, since: string, ready?: ?string}> $waiting     what the job waits for; ready says where it lies now
     * @param list<string>                                                             $parts       replaced, one line each, in time order
     * @param array<string, array{level: PowerOn, reason: string}>                     $leaps       latest recorded leap by gate
     * @param list<string>                                                             $biasedChips three-supply chips of the memory maps, in words
     * @param ?string                                                                  $memory      what the last memory test suspects, while nothing was changed since
     */
    public function __construct(
        public Stage $stage,
        public ?string $symptom,
        public ?BatteryState $battery,
        public bool $hasRails,
        public ?Judgement $rails,
        public bool $changedSinceRun,
        public array $hazards,
        public array $waiting,
        public array $parts,
        public array $leaps,
        public ?Outcome $outcome,
        public bool $threeSupplyChips,
        public Allowance $allowance,
        public array $biasedChips = [],
        public ?string $memory = null,
        public ?string $memoryWhy = null,
        public ?string $memoryNext = null,
        public ?string $soak = null,
    ) {
    }
}
