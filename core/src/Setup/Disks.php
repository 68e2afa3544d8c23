<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Facts\Fact;
use Ash\Logbook\EntryData;

/** Drives of a job and the ways in which they were tried. */
final readonly class Disks implements Fact
{
    /**
     * @param array<string, DriveSaid>        $drives by name in small letters, of each the last word
     * @param array<string, list<DriveTried>> $tries  by drive, in time order
     */
    private function __construct(public array $drives, public array $tries)
    {
    }

    /** @param list<EntryData> $said in time order; what is no drive and no attempt at one is left aside */
    public static function of(array $said): ?self
    {
        $drives = $tries = [];
        foreach ($said as $it) {
            match (true) {
                $it instanceof DriveSaid => $drives[mb_strtolower($it->name)] = $it,
                $it instanceof DriveTried => $tries[mb_strtolower($it->drive)][] = $it,
                default => null,
            };
        }

        return $drives === [] && $tries === [] ? null : new self($drives, $tries);
    }

    /** @return list<DriveTried> of each drive the way that worked and reads most, then fastest; of those that work at all */
    public function best(): array
    {
        $best = [];
        foreach ($this->tries as $tries) {
            $works = array_values(array_filter($tries, static fn (DriveTried $it): bool => $it->outcome !== TryOutcome::Nothing));
            usort($works, static fn (DriveTried $a, DriveTried $b): int => $b->worth() <=> $a->worth());
            $works === [] || $best[] = $works[0];
        }

        return $best;
    }

    /** @return list<string> drives that were heard to sound bad in their last attempt */
    public function noisy(): array
    {
        $noisy = [];
        foreach ($this->tries as $tries) {
            $last = $tries[count($tries) - 1];
            $last->outcome === TryOutcome::Noisy && $noisy[] = $last->drive;
        }

        return $noisy;
    }

    /** How the copying of a session went, in a line; null without a copy. */
    public static function session(int $copied, int $bad, int $aside, int $since): ?string
    {
        return $copied === 0 ? null : "{$copied} ".($copied === 1 ? 'disk' : 'disks').' copied, '.($copied - $bad).' whole, '
            ."{$bad} with bad sectors, {$aside} set aside; {$since} since the drive was last cleaned";
    }
}
