<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** How far a part has come between two pictures: the share of its difference from the reference that is gone, and how much it changed itself. */
final readonly class ColourProgress
{
    /**
     * @param ?float $progress 1 for what matches, below 0 for what got worse; null where nothing was to be gained
     * @param float  $change   CIEDE2000 between the first place then and now
     */
    private function __construct(public ?float $progress, public float $change)
    {
    }

    public static function of(ColourRead $before, ColourRead $after): ?self
    {
        $one = $before->found[0] ?? null;
        $other = $after->found[0] ?? null;
        $of = static fn (SpotColour $it): Colour => Colour::lab($it->l, $it->a, $it->b);

        return $one === null || $other === null ? null : new self(
            ColourCompared::gone($before->delta(), $after->delta()),
            $of($one)->difference($of($other)),
        );
    }
}
