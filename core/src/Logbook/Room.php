<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Cli\Verbs;
use Ash\Facts\Fact;

/**
 * A capability of the house. The hall knows rooms by this contract only, and walks the list of them (Ash\Rooms); what a room does not
 * bring it leaves as it is here.
 */
abstract readonly class Room implements Verbs
{
    /** The same on every floor, in the URL and in bin/ash. */
    abstract public function name(): string;

    public function verbs(): array
    {
        return [];
    }

    /** @return list<EntryKind> */
    public function kinds(): array
    {
        return [];
    }

    /** @return list<LineRule> asked in order, after those of the rooms before it */
    public function lines(): array
    {
        return [];
    }

    /** @return list<OpenKind> what its entries may leave open */
    public function openKinds(): array
    {
        return [];
    }

    public function section(): ?Section
    {
        return null;
    }

    /** @return list<Fact> what the description of a machine says that other rooms may want to know */
    public function facts(Profile $profile): array
    {
        return [];
    }

    public function findings(Situation $at): Findings
    {
        return new Findings();
    }
}
