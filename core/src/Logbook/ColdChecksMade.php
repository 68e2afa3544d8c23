<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Facts\Fact;

/** The cold checks of a job: what each one found at last. */
final readonly class ColdChecksMade implements Fact
{
    /** @param array<string, ?string> $wrong by check that was made: what was wrong, null when it is well */
    public function __construct(public array $wrong)
    {
    }

    /** @return list<ColdCheck> not made yet */
    public function left(): array
    {
        return array_values(array_filter(ColdCheck::cases(), fn (ColdCheck $it): bool => !array_key_exists($it->value, $this->wrong)));
    }
}
