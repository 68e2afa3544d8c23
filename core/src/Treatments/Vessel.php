<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Document\Field\Between;
use Ash\Document\Field\NotNegative;
use Ash\Document\Field\Positive;

/** The vessel at hand, with the supply, the bottle and the air that go with it. */
final readonly class Vessel
{
    /**
     * @param float  $litres   of water, or of what is poured in
     * @param ?float $volts    of the supply
     * @param ?float $amps     of the supply, as it is limited
     * @param ?float $stockPct by mass, as the bottle says
     * @param ?float $airM3H   fresh air of the room, m3/h
     */
    public function __construct(
        #[Positive] public float $litres,
        #[Positive] public ?float $volts = null,
        #[Positive] public ?float $amps = null,
        #[Between(0.1, 100)] public ?float $stockPct = null,
        #[NotNegative] public ?float $airM3H = null,
    ) {
    }
}
