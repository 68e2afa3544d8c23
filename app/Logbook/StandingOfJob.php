<?php

declare(strict_types=1);

namespace App\Logbook;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Collection;

/** Entries of a job that stand and decide something. While an entry of the job is taken in they are read once, however many rules ask for them. */
final class StandingOfJob
{
    private ?string $job = null;

    /** @var Collection<int, Entry>|null in time order */
    private ?Collection $entries = null;

    /** @var array<string, Collection<int, Model>> */
    private array $kept = [];

    public static function here(): self
    {
        return app(self::class);
    }

    /**
     * @template T
     *
     * @param \Closure(): T $do what locks the job's row, so that nobody else adds to it meanwhile
     *
     * @return T
     */
    public function during(string $job, \Closure $do): mixed
    {
        $outermost = $this->job === null;
        // Read anew, under the lock that $do takes.
        [$this->job, $this->entries, $this->kept] = [$job, null, []];
        try {
            return $do();
        } finally {
            if ($outermost) {
                [$this->job, $this->entries, $this->kept] = [null, null, []];
            }
        }
    }

    /** @return Collection<int, Entry> of a board, in time order, the first ones */
    public function ofBoard(string $board, string $kind, int $most): Collection
    {
        return $this->once(
            "{$board} {$kind}",
            static fn (): Collection => Entry::standing($kind)->where('board_id', $board)->orderBy('at')->orderBy('id')->limit($most)->get(),
        );
    }

    /**
     * What several rules read of what hangs on the entries; until the next entry.
     *
     * @template T of Model
     *
     * @param \Closure(): Collection<int, T> $read
     *
     * @return Collection<int, T>
     */
    public function once(string $key, \Closure $read): Collection
    {
        if ($this->job === null) {
            return $read();
        }
        /** @var Collection<int, T> $kept */
        $kept = $this->kept[$key] ??= $read();

        return $kept;
    }

    /** @return Collection<int, Entry> in time order */
    public function of(string $job, string ...$kinds): Collection
    {
        $held = $this->kinds();
        if ($job !== $this->job || array_diff($kinds, $held) !== []) {
            return self::read($job, ...$kinds);
        }
        $this->entries ??= self::read($job, ...$held);

        return $this->entries->filter(static fn (Entry $it): bool => in_array($it->kind, $kinds, true))->values();
    }

    /** One more, and one less that it corrects. */
    public function took(Entry $entry): void
    {
        $this->kept = [];
        if ($this->entries === null || $entry->job_id !== $this->job) {
            return;
        }
        $rest = $this->entries->reject(static fn (Entry $it): bool => $it->id === $entry->corrects_id);
        $decides = in_array($entry->kind, $this->kinds(), true);
        $this->entries = ($decides ? $rest->push($entry)->sortBy([['at', 'asc'], ['id', 'asc']]) : $rest)->values();
    }

    /** @return list<string> */
    private function kinds(): array
    {
        return array_merge(Gathered::DECIDING, ...array_map(static fn (Room $room): array => $room->decides(), House::here()->rooms));
    }

    /** @return Collection<int, Entry> */
    private static function read(string $job, string ...$kinds): Collection
    {
        return Entry::standing(...$kinds)->where('job_id', $job)->orderBy('at')->orderBy('id')->get();
    }
}
