<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\GateState;
use Ash\Logbook\JobSheet;
use Ash\Logbook\Step;
use Ash\Logbook\Suspect;

/** The head of a job as it is kept beside it and handed out. */
final readonly class SheetDocument
{
    /** Steps that are shown below the next. */
    private const FURTHER = 5;

    /** @return array{text: string, why: string, room: ?string, minutes: ?float} */
    private static function step(Step $it): array
    {
        return ['text' => $it->text, 'why' => $it->why, 'room' => $it->room, 'minutes' => $it->minutes];
    }

    /** @return array<string, mixed> */
    public static function of(JobSheet $sheet): array
    {
        $next = $sheet->next();

        return [
            'known' => $sheet->known,
            'suspected' => array_map(static fn (Suspect $it): array => ['text' => $it->text, 'why' => $it->why], $sheet->suspected),
            'next' => self::step($next),
            'then' => array_map(self::step(...), array_slice($sheet->steps, 1, self::FURTHER)),
            'waits' => array_map(self::step(...), array_slice($sheet->waits, 0, self::FURTHER)),
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
