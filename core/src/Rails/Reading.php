<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Node;

/** One probing of a rail: volts (average, as a DC meter shows it), resistance to ground with the power off, or both. */
final readonly class Reading
{
    public function __construct(
        public string $rail,
        public ?float $volts,
        public Load $load,
        public Point $point = Point::Supply,
        public ?float $rippleMvpp = null,
        public ?float $amps = null,
        public ?float $ohmsToGround = null,
        /** When readings of one run come from meters that differ; else the run's meter counts. */
        public ?MeterAccuracy $meter = null,
    ) {
    }

    /** @param array<string, Rail> $rails */
    public static function read(Node $node, array $rails): self
    {
        $node->only('rail', 'volts', 'load', 'point', 'ripple_mvpp', 'amps', 'ohms_to_ground');
        $rail = $node->at('rail')->string();
        isset($rails["\0{$rail}"]) || $node->at('rail')->refuse("there is no rail \"{$rail}\"");
        if (!$node->has('volts') && !$node->has('ohms_to_ground')) {
            $node->refuse('must have volts or ohms_to_ground or both');
        }

        return new self(
            rail: $rail,
            volts: $node->optional('volts')?->number(),
            load: $node->at('load')->enum(Load::class),
            point: $node->optional('point')?->enum(Point::class) ?? Point::Supply,
            rippleMvpp: $node->optional('ripple_mvpp')?->notNegative(),
            amps: $node->optional('amps')?->notNegative(),
            ohmsToGround: $node->optional('ohms_to_ground')?->notNegative(),
        );
    }

    /**
     * A run of probings in which what was not measured again still stands: a voltage taken after the resistance to ground
     * does not lift a short. The contract of `rails judge` takes each reading by itself, so a run says this before it asks.
     *
     * @param list<self> $readings in time order
     *
     * @return list<self> one for each
     */
    public static function withStandingOhms(array $readings): array
    {
        $ohms = [];

        return array_map(static function (self $reading) use (&$ohms): self {
            $ohms[$reading->key()] = $reading->ohmsToGround ?? $ohms[$reading->key()] ?? null;

            return new self(
                rail: $reading->rail,
                volts: $reading->volts,
                load: $reading->load,
                point: $reading->point,
                rippleMvpp: $reading->rippleMvpp,
                amps: $reading->amps,
                ohmsToGround: $ohms[$reading->key()],
                meter: $reading->meter,
            );
        }, $readings);
    }

    /** Rail, point and load: of readings with one key only the latest counts. */
    public function key(): string
    {
        return "{$this->rail}\0{$this->point->value}\0{$this->load->value}";
    }

    public function place(): string
    {
        return "{$this->rail} at the {$this->point->value}, {$this->load->words()}";
    }
}
