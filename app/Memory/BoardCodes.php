<?php

declare(strict_types=1);

namespace App\Memory;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Record;
use Ash\Logbook\EntryKind;
use Ash\Memory\FittedMemory;

/** The date codes of a board's chips. They go with a chip when it is exchanged, and end with it when it is replaced. */
final readonly class BoardCodes
{
    /** Entries that are looked at. */
    private const LAST = 200;

    /** @param list<Entry> $entries in time order */
    private function __construct(private FittedMemory $memory, private array $entries, public ?string $built)
    {
    }

    public static function of(Job $job, FittedMemory $memory): self
    {
        $entries = array_values(Entry::query()->where('board_id', $job->board_id)->whereIn('kind', [EntryKind::DateCodes, EntryKind::Part, EntryKind::Swap])
            ->whereNotExists(static fn ($query) => $query->from('entries as later')->whereColumn('later.corrects_id', 'entries.id'))
            ->orderByDesc('at')->orderByDesc('id')->limit(self::LAST)->get()->reverse()->all());
        $built = null;
        foreach ($entries as $entry) {
            $built = $entry->kind === EntryKind::DateCodes && Record::word($entry, 'map') === $memory->key ? Record::word($entry, 'built') ?: $built : $built;
        }

        return new self($memory, $entries, $built);
    }

    /**
     * @param ?\DateTimeInterface $when as the chips sat then; null for now
     *
     * @return array<array-key, string> by designator
     */
    public function at(?\DateTimeInterface $when): array
    {
        $then = $now = [];
        foreach ($this->entries as $entry) {
            $now = $this->after($entry, $now);
            $then = $when === null || $entry->at <= $when ? $now : $then;
        }
        if ($when === null) {
            return array_filter($now, static fn (string $code): bool => $code !== '');
        }
        // What was read off later was there before, where the chip sat then.
        foreach (array_reverse($this->entries) as $entry) {
            $now = $entry->at <= $when ? $now : $this->before($entry, $now);
        }

        return array_filter($then + $now, static fn (string $code): bool => $code !== '');
    }

    /**
     * @param array<array-key, string> $codes
     *
     * @return array<array-key, string>
     */
    private function after(Entry $entry, array $codes): array
    {
        $ours = Record::word($entry, 'map') === $this->memory->key;
        $designator = Record::word($entry, 'designator');

        return match (true) {
            $entry->kind === EntryKind::DateCodes && $ours => array_filter(is_array($entry->data['by_chip'] ?? null) ? $entry->data['by_chip'] : [], is_string(...)) + $codes,
            $entry->kind === EntryKind::Swap && $ours => self::exchanged($entry, $codes),
            $entry->kind === EntryKind::Part && isset($this->memory->map->byRef["\0{$designator}"]) => [$designator => self::code($entry)] + $codes,
            default => $codes,
        };
    }

    /**
     * @param array<array-key, string> $codes
     *
     * @return array<array-key, string>
     */
    private function before(Entry $entry, array $codes): array
    {
        return match (true) {
            $entry->kind === EntryKind::Swap && Record::word($entry, 'map') === $this->memory->key => self::exchanged($entry, $codes),
            $entry->kind === EntryKind::Part => array_diff_key($codes, [Record::word($entry, 'designator') => '']),
            default => $codes,
        };
    }

    /**
     * @param array<array-key, string> $codes
     *
     * @return array<array-key, string>
     */
    private static function exchanged(Entry $swap, array $codes): array
    {
        [$from, $to] = [Record::word($swap, 'from'), Record::word($swap, 'to')];

        return [$from => $codes[$to] ?? '', $to => $codes[$from] ?? ''] + $codes;
    }

    /** Week and year, or nothing when what was written down is no such code. */
    private static function code(Entry $part): string
    {
        $code = Record::word($part, 'date_code');

        return preg_match('/^\d\d(0[1-9]|[1-4]\d|5[0-3])$/D', $code) === 1 ? $code : '';
    }
}
