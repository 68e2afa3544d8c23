<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Field\Id;
use Ash\Document\Field\ListOf;
use Ash\Document\Kept;
use Ash\Logbook\EntryData;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** Somebody judged a board good: the resistances of a run become what its kind's rails should have. */
final readonly class GoodBoard implements EntryData
{
    public const KIND = 'good_board';

    /** @param list<GoodOhm> $ohms of the run, the highest of each rail's places */
    public function __construct(#[Id] public string $run, #[Kept] #[ListOf(GoodOhm::class)] public array $ohms = [])
    {
    }

    public function sentence(string $text): string
    {
        $figures = array_map(static fn (GoodOhm $it): string => "{$it->rail} ".Notation::print($it->ohm, Unit::Ohm, 3), $this->ohms);

        return 'A good board to ground: '.implode(', ', $figures);
    }
}
