<?php

declare(strict_types=1);

namespace Ash\Cli;

/** What can be computed without a record: the verbs behind `bin/ash NAME`. */
interface Verbs
{
    public function name(): string;

    /** @return array<string, Verb> by name; empty for a room that computes nothing by itself */
    public function verbs(): array;
}
