<?php

declare(strict_types=1);

namespace Ash\Batteries;

use Ash\Document\Field\Whole;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Logbook\EntryData;
use Ash\Quantity\Typed;
use Ash\Quantity\Unit;

/** Which clock circuit a board has, of which nothing was known, and whether it charges its battery: found, not found, or not looked for. */
final readonly class CircuitSaid implements EntryData, Settled
{
    public const KIND = 'clock_kind';

    /**
     * @param ?int   $chips   of static memory that draw the standby current
     * @param ?float $supplyV what it charges from
     */
    public function __construct(
        public ClockCircuit $circuit,
        #[Whole(1, 64)]
        public ?int $chips = null,
        #[Typed(Unit::Volt, aboveZero: true)]
        public ?float $supplyV = null,
        #[Typed(Unit::Ohm, aboveZero: true)]
        public ?float $seriesOhm = null,
    ) {
    }

    public function settled(Node $read): static
    {
        // A board that charges has both: the one that is missing is named.
        ($this->supplyV === null) === ($this->seriesOhm === null) || $read->at($this->supplyV === null ? 'supply_v' : 'series_ohm');

        return $this;
    }

    /** @return array<string, mixed>|null as a description holds it */
    public function battery(): ?array
    {
        $figures = $this->circuit->figures();

        return $figures === null ? null : [
            'retention_min_v' => $figures['keeps'], 'retention_max_v' => $figures['stands'], 'standby_a' => $figures['standby'] * ($this->chips ?? 1),
            ...($this->supplyV === null ? [] : ['charge' => ['supply_v' => $this->supplyV, 'series_ohm' => $this->seriesOhm]]),
            'source' => $this->circuit->source(),
        ];
    }

    public function sentence(string $text): string
    {
        return "Clock circuit: {$this->circuit->value}".($this->chips === null ? '' : ", {$this->chips} chips")
            .($this->supplyV === null ? '' : ', charges its battery');
    }
}
