<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Logbook\Entry;
use App\Logbook\Job;
use Ash\Capacitors\CapacitorRead;
use Ash\Capacitors\ReadingsOfVisit;
use Ash\Capacitors\Rework;
use Ash\Capacitors\ReworkStep;
use Ash\Capacitors\Taken;
use Ash\Facts\CapacitorKind;
use Ash\Facts\ReplacePolicy;
use Ash\Logbook\Entries\Decision;
use Ash\Logbook\Entries\PartReplaced;

/** What the record says of the capacitors of a job's board, by what they are called. */
final class Readings
{
    /** @var array<string, list<Entry>> readings of this job, latest first */
    public array $here = [];

    /** @var array<string, Entry> the last of other visits */
    public array $earlier = [];

    /** @var array<string, ?string> by what it was replaced, when the part came after the last reading */
    public array $replaced = [];

    /** @var array<string, list<ReworkStep>> */
    public array $rework = [];

    /** @var array<string, Decision> by kind of capacitor */
    public array $chosen = [];

    /** @var array<string, ?ReadingsOfVisit> what was asked for already */
    private array $standing = [];

    /** @var array<string, list<Taken>> since the part that sits there now was fitted */
    private array $since = [];

    private function __construct(private readonly BoardList $list)
    {
    }

    public static function of(Job $job, BoardList $list): self
    {
        $it = new self($list);
        $kinds = [CapacitorRead::KIND, PartReplaced::KIND, Rework::KIND, Decision::KIND];
        foreach (Entry::standing(...$kinds)->where('board_id', $job->board_id)->orderBy('at')->orderBy('id')->get() as $entry) {
            $entry->job_id === $job->id ? $it->take($entry) : $it->takeEarlier($entry);
        }

        return $it;
    }

    /** What all readings of one say together; null while there is none, or nobody knows what it is. */
    public function standing(string $key): ?ReadingsOfVisit
    {
        if (!array_key_exists("\0{$key}", $this->standing)) {
            $it = $this->list->at($key);
            $taken = $this->since["\0{$key}"] ?? [];
            $this->standing["\0{$key}"] = $it?->part === null || $taken === [] ? null : ReadingsOfVisit::of($it->part, $taken, $this->list->railV($it));
        }

        return $this->standing["\0{$key}"];
    }

    public function latest(string $key): ?Entry
    {
        return $this->here["\0{$key}"][0] ?? null;
    }

    public function before(string $key): ?Entry
    {
        return $this->here["\0{$key}"][1] ?? $this->earlier["\0{$key}"] ?? null;
    }

    public function policy(CapacitorKind $kind): ?ReplacePolicy
    {
        return ($this->chosen[$kind->value] ?? null)?->policy;
    }

    private function take(Entry $entry): void
    {
        $data = $entry->data;
        if ($data instanceof CapacitorRead) {
            $cap = "\0{$data->cap}";
            $this->here[$cap] = [$entry, ...$this->here[$cap] ?? []];
            $this->since[$cap][] = Taken::recorded($data);
            $this->replaced[$cap] = null;
        } elseif ($data instanceof PartReplaced) {
            $this->replaced["\0{$data->designator}"] = $data->to;
            $this->since["\0{$data->designator}"] = [];
        } elseif ($data instanceof Rework) {
            $this->rework["\0{$data->cap}"][] = $data->done;
        } elseif ($data instanceof Decision && $data->capacitors !== null) {
            $this->chosen[$data->capacitors->value] = $data;
        }
    }

    /** What another visit read stands beside what this one reads; its parts and choices are its own. */
    private function takeEarlier(Entry $entry): void
    {
        $data = $entry->as(CapacitorRead::class);
        $data === null || $this->earlier["\0{$data->cap}"] = $entry;
    }
}
