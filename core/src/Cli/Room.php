<?php

declare(strict_types=1);

namespace Ash\Cli;

/** A capability that bin/ash offers. */
interface Room
{
    /** @return array<string, Verb> */
    public function verbs(): array;
}
