<?php

declare(strict_types=1);

namespace Ash\Setup;

/** Who holds a place, or how much memory, and where he could stand otherwise. */
final readonly class Holder
{
    /**
     * @param string             $where  what to look at: "JP3", or "its id"
     * @param string             $value  as it is written
     * @param array<int, string> $others the other places, as they are written
     * @param bool               $silent it is not among what a machine reports, as the host of a bus
     */
    public function __construct(
        public string $device,
        public string $where,
        public int $place,
        public string $value,
        public array $others,
        public bool $silent = false,
    ) {
    }

    /** @return list<self> of one kind of resource, from all that was written down */
    public static function all(SetupSheet $sheet, Takes $takes): array
    {
        $holders = [];
        foreach ($sheet->settings as $it) {
            if ($it->takes === $takes) {
                $ways = [];
                foreach ($it->options as $one) {
                    $ways[$takes->place($one->value)] = $one->words();
                }
                $place = $takes->place($it->stands()->value);
                $holders[] = new self($it->device, $it->block, $place, $it->stands()->words(), array_diff_key($ways, [$place => '']));
            }
        }
        $free = static fn (int $ids, int $own): array => array_diff_key(array_map(strval(...), range(0, $ids - 1)), [$own => '']);
        if ($takes === Takes::Id) {
            $ids = $sheet->chain?->scsi()->ids ?? 0;
            foreach ($sheet->chain->chain ?? [] as $it) {
                $holders[] = new self(
                    $it->name, 'its id', $it->id, (string) $it->id, $free($ids, $it->id), $it->host === true,
                );
            }
        }
        if ($takes === Takes::Unit) {
            foreach ($sheet->cable?->floppy()->drives ?? [] as $it) {
                $others = [];
                foreach (array_diff(range(0, 3), [$it->select]) as $select) {
                    $others[$it->unit($select)] = (string) $select;
                }
                $holders[] = new self($it->name, 'its select', $it->unit(), (string) $it->select, $others);
            }
        }

        return $holders;
    }
}
