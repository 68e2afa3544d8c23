<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Facts\Fact;
use Ash\Facts\Facts;
use Ash\Facts\PartWanted;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;

/**
 * A capability on this floor. The hall knows rooms by this contract only, and walks the list of them (App\Rooms); what a room does not
 * bring it leaves as it is here.
 */
abstract class Room
{
    /** The same on every floor. */
    abstract public function name(): string;

    /** Registers what may be read with a session. */
    public function reads(): void
    {
    }

    /** Registers what writes into the record. */
    public function records(): void
    {
    }

    /** Registers what only a lead may do. */
    public function leads(): void
    {
    }

    /** Registers what a browser opens or saves by itself, outside the API, with a session. */
    public function pages(): void
    {
    }

    /** Registers what answers without a session. */
    public function open(): void
    {
    }

    /**
     * What a new entry's data are once the record has looked at them; several rooms may add to one kind, one after the other.
     *
     * @throws \Ash\Document\InvalidDocument when the record forbids it
     */
    public function complete(EntryData $data, Taking $at): EntryData
    {
        return $data;
    }

    /** @return list<string> kinds of entries of a job that facts() reads, all of them each time */
    public function decides(): array
    {
        return [];
    }

    /** @return list<string> designators of parts on the job's board, which a line may name */
    public function names(Job $job): array
    {
        return [];
    }

    /** The board that the data themselves are about; null when they do not say. */
    public function boardOf(EntryData $data, Taking $at): ?string
    {
        return null;
    }

    /** An entry was made here: what is laid down beside it, in the same transaction. Entries that come in by import are told to bring(). */
    public function taken(Entry $entry, Taking $at): void
    {
    }

    /** What follows from an entry, made here or brought in, in the same transaction. */
    public function follow(Entry $entry, Job $job): void
    {
    }

    /** What follows from an entry no longer counts: a later one corrects or withdraws it. */
    public function withdraw(Entry $entry, Entry $by, Job $job): void
    {
    }

    /**
     * What is known of a job's board, from the record and from what the room keeps of it. Asked on every entry: what would have to be
     * counted again each time is kept by follow() and withdraw(), and can be made again from the record.
     *
     * @param Facts $known of the rooms before
     *
     * @return list<Fact>
     */
    public function facts(Job $job, Profile $profile, Facts $known): array
    {
        return [];
    }

    /** @return array<string, list<PartWanted>> parts that open jobs want, by the job's label */
    public function wants(): array
    {
        return [];
    }

    /** @return list<ReportTable> of what was measured on a job */
    public function report(ReportOf $job): array
    {
        return [];
    }

    /** @return array<string, class-string> request bodies that are shapes of the core, by their name in the API's description */
    public function bodies(): array
    {
        return [];
    }

    /** The room's part of a board's record, out and in. */
    public function exchange(): ?Exchange
    {
        return null;
    }
}
