<?php

declare(strict_types=1);

namespace Ash\Logbook;

/**
 * The stage follows the work: an entry that is the work of a later stage moves the job there, and a change after the repair moves it back
 * to the repair, because what was changed must be tested again. Never across a closed gate; by hand it can be moved anywhere.
 */
final readonly class StageFollows
{
    /**
     * @param bool $closed a gate of the job is closed
     *
     * @return ?Stage where the job goes on; null when it stays
     */
    public static function to(Stage $now, EntryKind $kind, bool $closed): ?Stage
    {
        $order = static fn (Stage $stage): int => (int) array_search($stage, Stage::cases(), true);
        $to = $kind->stage;
        if ($to === null || $to === $now) {
            return null;
        }
        if ($order($to) < $order($now)) {
            return $kind->weight === Weight::Change && $order($now) > $order(Stage::Repair) ? Stage::Repair : null;
        }
        $between = array_slice(Stage::cases(), $order($now) + 1, $order($to) - $order($now));
        $powered = array_filter($between, static fn (Stage $stage): bool => $stage->powered()) !== [];

        return $closed && $powered ? null : $to;
    }
}
