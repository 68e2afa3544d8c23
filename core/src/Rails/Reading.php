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
        public float $leadOhm = 0.0,
        /** Something on this rail was repaired, exchanged or adjusted before this reading. */
        public bool $changed = false,
    ) {
    }

    /** @param array<string, Rail> $rails */
    public static function read(Node $node, array $rails): self
    {
        $node->only('rail', 'volts', 'load', 'point', 'ripple_mvpp', 'amps', 'ohms_to_ground', 'lead_ohm', 'changed');
        $rail = $node->at('rail')->string();
        isset($rails["\0{$rail}"]) || $node->at('rail')->refuse("there is no rail \"{$rail}\"");
        if (!$node->has('volts') && !$node->has('ohms_to_ground')) {
            $node->refuse('must have volts or ohms_to_ground or both');
        }
        if ($rails["\0{$rail}"]->kind === RailKind::Ac) {
            $node->optional('ripple_mvpp')?->refuse('does not belong to an AC rail');
            ($node->optional('volts')?->number() ?? 0.0) >= 0 || $node->at('volts')->refuse('of an AC rail are RMS: they cannot be negative');
        }

        return new self(
            rail: $rail,
            volts: $node->optional('volts')?->number(),
            load: $node->at('load')->enum(Load::class),
            point: $node->optional('point')?->enum(Point::class) ?? Point::Supply,
            rippleMvpp: $node->optional('ripple_mvpp')?->notNegative(),
            amps: $node->optional('amps')?->notNegative(),
            ohmsToGround: $node->optional('ohms_to_ground')?->notNegative(),
            leadOhm: $node->optional('lead_ohm')?->notNegative() ?? 0.0,
            changed: $node->optional('changed')?->bool() ?? false,
        );
    }

    /** Ohms to ground without the leads, never below 0. */
    public function netOhms(): ?float
    {
        return $this->ohmsToGround === null ? null : max(0.0, $this->ohmsToGround - $this->leadOhm);
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
