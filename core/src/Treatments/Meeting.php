<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Facts\NeverMix;
use Ash\Facts\Substance;

/** What would come together in a vessel or on a part, and must not. */
final readonly class Meeting
{
    /**
     * @param list<Substance>                $mine   what the step brings
     * @param array<string, list<Substance>> $others what is there already, by where
     * @param bool                           $closed in a closed vessel
     *
     * @return list<string> the two names, and what they make
     */
    public static function refused(array $mine, array $others, bool $closed): array
    {
        $said = [];
        foreach (['in the same step' => $mine, ...$others] as $where => $there) {
            foreach ($mine as $a) {
                foreach ($there as $b) {
                    $clash = $a === $b ? null : NeverMix::clashes([$a, $b])[0] ?? null;
                    if ($clash !== null && ($closed || !$clash->onlyClosed)) {
                        $said["{$clash->makes} {$where}"] ??= "{$a->words()} and {$b->words()} {$where} make {$clash->makes}";
                    }
                }
            }
        }

        return array_values($said);
    }

    /**
     * What stays on a part after its steps: of each what it met, until it was rinsed or has dried.
     *
     * @param list<TreatmentStep> $steps in time order
     *
     * @return list<Substance>
     */
    public static function left(array $steps): array
    {
        $left = [];
        foreach ($steps as $step) {
            $left = $step->clean ? [] : [...$left, ...$step->with];
        }

        return array_values(array_unique($left, SORT_REGULAR));
    }
}
