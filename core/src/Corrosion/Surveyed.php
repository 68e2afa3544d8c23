<?php

declare(strict_types=1);

namespace Ash\Corrosion;

use Ash\Facts\Answered;

/** What a leak survey and the continuity read on its places answer. */
final readonly class Surveyed
{
    /** From this grade on the green has eaten something. */
    private const EATEN = 2;

    /**
     * The worst counts. "sound" only when each place that is eaten and carries something was measured.
     *
     * @param list<SurveyPlace>             $places
     * @param array<string, ContinuityRead> $readings the one that stands, by place
     *
     * @return list<Answered>
     */
    public static function answers(array $places, array $readings): array
    {
        $answers = [];
        $worst = max([0, ...array_map(static fn (SurveyPlace $it): int => $it->grade, $places)]);
        if ($worst >= self::EATEN) {
            $answers[] = new Answered('corrosion', 'eaten', "the leak reached grade {$worst}");
        }
        $verdicts = array_filter(array_map(static fn (ContinuityRead $it): ?TraceVerdict => $it->verdict, $readings));
        $asked = array_filter($places, static fn (SurveyPlace $it): bool => $it->grade >= self::EATEN && $it->carries !== Carries::Nothing);
        foreach ([TraceVerdict::Open, TraceVerdict::Thin] as $bad) {
            $found = array_filter($readings, static fn (ContinuityRead $it): bool => $it->verdict === $bad);
            if ($found !== []) {
                $names = implode(', ', array_map(static fn (ContinuityRead $it): string => $it->what, array_values($found)));

                return [...$answers, new Answered('corrosion', $bad->value, "{$names}: {$bad->value}")];
            }
        }

        return $verdicts !== [] && count($verdicts) >= count($asked)
            ? [...$answers, new Answered('corrosion', 'sound', count($verdicts).' traces read sound')]
            : $answers;
    }
}
