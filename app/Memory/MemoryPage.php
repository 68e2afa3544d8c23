<?php

declare(strict_types=1);

namespace App\Memory;

use App\Bench\ChoiceCard;
use App\Instruments\SerialPortCard;
use App\Logbook\JobCard;
use OpenApi\Attributes as OA;

/** The memory of a job: map, runs, comparison, and what comes next. */
#[OA\Schema]
final readonly class MemoryPage
{
    /**
     * @param list<MemoryMapCard>  $maps
     * @param list<MemoryRunRow>   $runs
     * @param list<SerialPortCard> $ports
     * @param list<ChoiceCard>     $patterns
     * @param list<ChoiceCard>     $radices
     * @param list<LineSortCard>   $line_sorts
     * @param list<string>         $cautions
     */
    public function __construct(
        #[OA\Property()]
        public JobCard $job,
        #[OA\Property(description: 'name of the board at hand')]
        public string $board,
        #[OA\Property(type: 'array', items: new OA\Items(ref: MemoryMapCard::class))]
        public array $maps,
        #[OA\Property()]
        public ?string $map,
        #[OA\Property()]
        public ?SocketsCard $sockets,
        #[OA\Property(type: 'array', items: new OA\Items(ref: MemoryRunRow::class))]
        public array $runs,
        #[OA\Property()]
        public ?MemoryRunCard $run,
        #[OA\Property()]
        public ?MemoryRunCard $against,
        #[OA\Property()]
        public ?ComparisonCard $comparison,
        #[OA\Property()]
        public ?SwapCard $suggestion,
        #[OA\Property()]
        public ?SwapCard $pending,
        #[OA\Property(description: 'a capture under way')]
        public ?SourceCard $listening,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SerialPortCard::class))]
        public array $ports,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $patterns,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class), description: 'in which a test may write its numbers')]
        public array $radices,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LineSortCard::class), description: 'what a line can be taught to be')]
        public array $line_sorts,
        #[OA\Property(description: 'what three-supply chips want before power')]
        public ?string $bias,
        #[OA\Property(description: 'by the date codes')]
        public ?string $built,
        #[OA\Property(description: 'bytes that may be pasted')]
        public int $most_text,
        #[OA\Property(description: 'bytes of a file')]
        public int $most_file,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $cautions,
    ) {
    }
}
