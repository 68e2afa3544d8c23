<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Logbook\Board;
use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Machine;
use App\Logbook\Record;
use Ash\Capacitors\BoardCapacitor;
use Ash\Document\Node;
use Ash\Logbook\EntryKind;
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
        $profile = Machine::query()->findOrFail($job->machine_id)->readProfile();
        $slot = Board::query()->findOrFail($job->board_id)->slot;
        $list = $found = [];
        foreach ($profile->capacitors as $it) {
            if ($it->text('board') === null || $it->text('board') === $slot) {
                $list["\0{$it->key}"] = $it;
            }
        }
        $entries = Entry::query()->where('board_id', $job->board_id)->whereIn('kind', [EntryKind::Capacitor, EntryKind::Part])
            ->whereNotExists(static fn ($query) => $query->from('entries as later')->whereColumn('later.corrects_id', 'entries.id'))->orderBy('at')->orderBy('id')->get();
        [$parts, $walked] = $entries->partition(static fn (Entry $entry): bool => $entry->kind === EntryKind::Part);
        foreach ($walked as $entry) {
            $it = BoardCapacitor::read(Node::of((object) array_diff_key($entry->data, ['asked' => 1])));
            $list["\0{$it->key}"] = $it;
            $found["\0{$it->key}"] = $entry;
        }
        foreach ($parts as $entry) {
            $key = "\0".Record::word($entry, 'designator');
            if (isset($list[$key])) {
                $list[$key] = $list[$key]->replacedBy(self::fitted($list[$key], $entry->data));
            }
        }
        uksort($list, strnatcmp(...));

        return new self($profile, array_values($list), $found);
    }

    /**
     * @param array<string, mixed> $part of a part-replaced entry
     *
     * @return array<string, mixed>|null what the new one is: from the shelf, or as its marking was written down
     */
    private static function fitted(BoardCapacitor $at, array $part): ?array
    {
        $fitted = $part['fitted'] ?? null;

        return is_array($fitted) ? array_filter($fitted, is_string(...), ARRAY_FILTER_USE_KEY) : $at->fittedBy(is_string($part['to'] ?? null) ? $part['to'] : '');
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
        return $it->rail === null ? null : $this->profile->rail($it->rail)?->nominalV;
    }

    /** The year that the machine's description gives; parts of it are about as old. */
    public function year(): ?int
    {
        return preg_match('/\b(19[3-9]\d|20\d\d)\b/', $this->profile->kind, $m) === 1 ? (int) $m[1] : null;
    }
}
