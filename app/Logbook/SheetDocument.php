<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\GateState;
use Ash\Logbook\JobSheet;
use Ash\Logbook\Suspect;

/** The head of a job as it is kept beside it and handed out. */
final readonly class SheetDocument
{
    /** @return array<string, mixed> */
    public static function of(JobSheet $sheet): array
    {
        $next = $sheet->next();

        return [
            'known' => $sheet->known,
            'suspected' => array_map(static fn (Suspect $it): array => ['text' => $it->text, 'why' => $it->why], $sheet->suspected),
            'next' => ['text' => $next->text, 'why' => $next->why, 'room' => $next->room],
            'gates' => array_map(static fn (GateState $gate): array => [
                'gate' => $gate->gate->value,
                'words' => $gate->gate->words(),
                'level' => $gate->level->value,
                'closed' => $gate->closed(),
                'why' => $gate->why,
                'passed_because' => $gate->passedBecause,
            ], $sheet->gates),
            'notices' => $sheet->notices,
        ];
    }
}
