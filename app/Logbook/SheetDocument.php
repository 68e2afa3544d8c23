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

    /**
     * @param array<mixed>|null $document as it is kept beside the job
     *
     * @return bool whether a gate of it is closed
     */
    public static function closed(?array $document): bool
    {
        $gates = $document['gates'] ?? [];

        return in_array(true, array_column(is_array($gates) ? $gates : [], 'closed'), true);
    }

    /**
     * What today's rules say otherwise than the head did that was kept when the job was closed.
     *
     * @param array<mixed> $kept
     * @param array<mixed> $now
     *
     * @return list<string>
     */
    public static function otherwise(array $kept, array $now): array
    {
        $texts = static function (array $of, string $list): array {
            $all = is_array($of[$list] ?? null) ? $of[$list] : [];
            $gate = static fn (array $it): string => is_string($it['words'] ?? null)
                ? "{$it['words']}: ".(is_string($it['level'] ?? null) ? $it['level'] : '')
                : '';

            return array_map(static fn (mixed $it): string => !is_array($it) ? '' : (is_string($it['text'] ?? null) ? $it['text'] : $gate($it)), $all);
        };
        $lines = [];
        foreach (['suspected', 'gates'] as $list) {
            [$then, $today] = [$texts($kept, $list), $texts($now, $list)];
            foreach (array_diff($today, $then) as $it) {
                $lines[] = "today, and not then: {$it}";
            }
            foreach (array_diff($then, $today) as $it) {
                $lines[] = "then, and not today: {$it}";
            }
        }

        return $lines;
    }

    /** @return array<string, mixed> */
    public static function of(JobSheet $sheet): array
    {
        $next = $sheet->next();

        return [
            'known' => $sheet->known,
            'suspected' => array_map(static fn (Suspect $it): array => [
                'text' => $it->text, 'why' => $it->why, 'probability' => $it->probability, 'weighed' => $it->weighed, 'under' => $it->under,
            ], $sheet->suspected),
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
