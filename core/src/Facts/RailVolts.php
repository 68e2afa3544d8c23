<?php

declare(strict_types=1);

namespace Ash\Facts;

/** The rails of a machine as its description names them, for rooms whose parts sit on one. */
interface RailVolts
{
    /** @return list<string> */
    public function railNames(): array;

    /** @return ?float V; null when there is no rail of this name */
    public function nominalV(string $rail): ?float;
}
