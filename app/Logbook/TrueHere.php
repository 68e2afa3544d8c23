<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\Entries\OnlyHere;

/** What is true of one board only, and would be read wrongly off its kind's description. */
final readonly class TrueHere
{
    private const MOST = 100;

    /** @param list<OnlyHere> $notes */
    private function __construct(public array $notes)
    {
    }

    public static function of(string $board): self
    {
        return new self(array_values(array_filter(
            StandingOfJob::here()->ofBoard($board, OnlyHere::KIND, self::MOST)
                ->map(static fn (Entry $it): ?OnlyHere => $it->as(OnlyHere::class))->all(),
        )));
    }

    /** For the words beside what is called so; null when the description is right about it. */
    public function about(string $name): ?string
    {
        $said = array_filter($this->notes, static fn (OnlyHere $it): bool => strcasecmp($it->about, $name) === 0);

        return $said === [] ? null : 'on this board only: '.implode('; ', array_map(static fn (OnlyHere $it): string => $it->is, $said));
    }
}
