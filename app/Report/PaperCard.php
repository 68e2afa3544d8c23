<?php

declare(strict_types=1);

namespace App\Report;

use OpenApi\Attributes as OA;

/** How far the PDF of a report is. */
#[OA\Schema]
final readonly class PaperCard
{
    public function __construct(
        /** short ones are made while one waits and have no state */
        #[OA\Property(enum: PaperState::class)]
        public ?PaperState $state,
        #[OA\Property(description: 'lines that are on paper')]
        public int $done,
        #[OA\Property()]
        public int $total,
        #[OA\Property()]
        public string $says,
    ) {
    }

    public static function of(ReportSheet $sheet): self
    {
        $lines = Printer::weight($sheet->sections());
        if ($lines <= Printer::PART) {
            return new self(null, 0, $lines, '');
        }
        $paper = Papers::known($sheet);

        return $paper === null ? new self(null, 0, $lines, '') : self::paper($paper);
    }

    public static function paper(Paper $paper): self
    {
        return new self($paper->state, $paper->done, $paper->total, match ($paper->state) {
            PaperState::Waiting => 'The PDF waits for its turn.',
            PaperState::Making => "The PDF is being made: {$paper->done} of {$paper->total} lines.",
            PaperState::There => 'The PDF is there.',
            PaperState::Failed => 'The PDF could not be made. Open it again in a minute; the page itself prints as well.',
        });
    }
}
