<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Facts\Fact;

/** Drives of a job, the ways in which they were tried, and the disks that were copied on it. */
final readonly class Disks implements Fact
{
    /**
     * @param array<string, DriveSaid>        $drives by name in small letters, of each the last word
     * @param array<string, list<DriveTried>> $tries  by drive, in time order
     * @param list<DiskCopied>                $copies in time order
     */
    private function __construct(public array $drives, public array $tries, public array $copies)
    {
    }

    /** @param list<DriveSaid|DriveTried|DiskCopied> $said in time order */
    public static function of(array $said): ?self
    {
        $drives = $tries = $copies = [];
        foreach ($said as $it) {
            match (true) {
                $it instanceof DriveSaid => $drives[mb_strtolower($it->name)] = $it,
                $it instanceof DriveTried => $tries[mb_strtolower($it->drive)][] = $it,
                default => $copies[] = $it,
            };
        }

        return $said === [] ? null : new self($drives, $tries, $copies);
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

    /** @return list<string> drives that were heard to sound bad in their last attempt, and that nothing was copied in since */
    public function noisy(): array
    {
        $noisy = [];
        foreach ($this->tries as $tries) {
            $last = $tries[count($tries) - 1];
            $last->outcome === TryOutcome::Noisy && $noisy[] = $last->drive;
        }

        return $noisy;
    }

    /** How the copying went, in a line; null without a copy. */
    public function session(): ?string
    {
        if ($this->copies === []) {
            return null;
        }
        $bad = count(array_filter($this->copies, static fn (DiskCopied $it): bool => $it->bad > 0));
        $aside = count(array_filter($this->copies, static fn (DiskCopied $it): bool => $it->aside === true));
        $since = 0;
        foreach ($this->copies as $it) {
            $since = $it->cleaned === true ? 1 : $since + 1;
        }

        return count($this->copies).' '.(count($this->copies) === 1 ? 'disk' : 'disks').' copied, '.(count($this->copies) - $bad).' whole, '
            ."{$bad} with bad sectors, {$aside} set aside; {$since} since the drive was last cleaned";
    }
}
