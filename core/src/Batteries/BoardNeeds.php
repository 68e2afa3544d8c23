<?php

declare(strict_types=1);

namespace Ash\Batteries;

use Ash\Document\Node;

/** What the board wants of its battery. Invariant: minimum below maximum; supply and resistor come together. */
final readonly class BoardNeeds
{
    /**
     * @param float   $minV      retention: below this the memory forgets
     * @param float   $maxV      retention: above this the chip is in danger
     * @param float   $standbyA  drawn while the power is off, 0 or more
     * @param ?float  $supplyV   what the board charges from; null when it does not charge
     * @param ?float  $seriesOhm the resistor it charges through
     * @param float   $diodeV    lost in a blocking diode
     * @param ?string $source    where the figures come from, when that was noted
     */
    public function __construct(
        public float $minV,
        public float $maxV,
        public float $standbyA,
        public ?float $supplyV = null,
        public ?float $seriesOhm = null,
        public float $diodeV = 0.3,
        public ?string $source = null,
    ) {
    }

    /** As a description holds it, with its source. */
    public static function described(Node $node): self
    {
        $plain = clone $node->object();
        unset($plain->source);
        $it = self::read(Node::of($plain, $node->pointer));

        return new self(
            minV: $it->minV, maxV: $it->maxV, standbyA: $it->standbyA, supplyV: $it->supplyV, seriesOhm: $it->seriesOhm, diodeV: $it->diodeV,
            source: $node->optional('source')?->text(120),
        );
    }

    public static function read(Node $node): self
    {
        $node->only('retention_min_v', 'retention_max_v', 'standby_a', 'charge', 'diode_drop_v');
        $min = $node->at('retention_min_v')->notNegative();
        $max = $node->at('retention_max_v')->positive();
        if ($min >= $max) {
            $node->at('retention_max_v')->refuse('must be above retention_min_v');
        }
        $charge = $node->optional('charge')?->only('supply_v', 'series_ohm');

        return new self(
            $min,
            $max,
            $node->at('standby_a')->notNegative(),
            $charge?->at('supply_v')->positive(),
            $charge?->at('series_ohm')->positive(),
            $node->optional('diode_drop_v')?->notNegative() ?? 0.3,
        );
    }

    public function charges(): bool
    {
        return $this->supplyV !== null;
    }
}
