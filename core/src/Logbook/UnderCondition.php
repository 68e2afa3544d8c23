<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** An entry that was made under a condition which others may be compared with: cold, warm, on its side, with a part known to be good. */
interface UnderCondition
{
    /** In words. */
    public function condition(): string;
}
