<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Logbook\Board;
use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Machine;
use Ash\Capacitors\BoardCapacitor;
use Ash\Capacitors\CapacitorFound;
use Ash\Capacitors\DescribedCapacitors;
use Ash\Facts\RailVolts;
use Ash\Logbook\Entries\PartReplaced;
use Ash\Logbook\Profile;

/** The capacitors of a job's board: those of the profile, those found while walking over it, which count before it, and what was fitted in their stead. */
final readonly class BoardList
{
    /**
     * @param list<BoardCapacitor> $all
     * @param array<string, Entry> $found entries by key
     */
    private function __construct(public Profile $profile, public array $all, public array $found)
    {
    }

    public static function of(Job $job): self
    {
        $profile = $job->profile();
        $slot = Board::query()->findOrFail($job->board_id)->slot;
        $list = $found = $parts = [];
        foreach ($profile->section(DescribedCapacitors::class)->all ?? [] as $it) {
            if ($it->given->board === null || $it->given->board === $slot) {
                $list["\0{$it->key}"] = $it;
            }
        }
        foreach (Entry::standing(CapacitorFound::KIND, PartReplaced::KIND)->where('board_id', $job->board_id)->orderBy('at')->orderBy('id')->get() as $entry) {
            $data = $entry->data;
            if ($data instanceof CapacitorFound) {
                $list["\0{$data->key()}"] = BoardCapacitor::of($data);
                $found["\0{$data->key()}"] = $entry;
            } elseif ($data instanceof PartReplaced) {
                $parts[] = $data;
            }
        }
        // What is found later was there before the part went in, so parts come last whenever they were written down.
        foreach ($parts as $part) {
            $at = $list["\0{$part->designator}"] ?? null;
            if ($at !== null) {
                $list["\0{$part->designator}"] = $at->replacedBy($part->fitted ?? $at->fittedBy($part->to));
            }
        }
        uksort($list, strnatcmp(...));

        return new self($profile, array_values($list), $found);
    }

    public function at(string $key): ?BoardCapacitor
    {
        foreach ($this->all as $it) {
            if ($it->key === $key) {
                return $it;
            }
        }

        return null;
    }

    /** What stands on its rail by the profile, in volts. */
    public function railV(BoardCapacitor $it): ?float
    {
        return $it->given->rail === null ? null : $this->profile->section(RailVolts::class)?->nominalV($it->given->rail);
    }

    /** The year that the machine's description gives; parts of it are about as old. */
    public function year(): ?int
    {
        return preg_match('/\b(19[3-9]\d|20\d\d)\b/', $this->profile->kind, $m) === 1 ? (int) $m[1] : null;
    }
}
