<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Quantity\Compare;

/**
 * Readings of two rails of one kind and sign that changed places: at one point and load each lies outside its own limits by more than the
 * guard, and inside the other's. A plug the wrong way round, or the probes. What was read so does not stand once it is read again.
 */
final class Exchanges
{
    /** @var array<string, array<string, JudgedReading>> by point and load: latest readings outside their limits, by rail */
    private array $outside = [];

    /** @var array<string, array<string, array<string, JudgedReading>>> the same by point and load, then by limits: equal ones are looked at once */
    private array $byLimits = [];

    /** @var array<int, true> by reading: it changed places with another at some time */
    private array $were = [];

    public function add(JudgedReading $judged): void
    {
        $place = self::place($judged);
        $name = "\0{$judged->rail->name}";
        $limits = pack('E2', $judged->rail->limits->low, $judged->rail->limits->high);
        unset($this->outside[$place][$name], $this->byLimits[$place][$limits][$name]);
        if ($judged->verdict !== Verdict::Out || $judged->reversed()) {
            return;
        }
        foreach ($this->byLimits[$place] ?? [] as $alike) {
            $first = reset($alike);
            foreach ($first !== false && self::inside((float) $judged->reading->volts, $first->rail->limits) ? $alike : [] as $other) {
                if (self::crossed($judged, $other)) {
                    $this->were[spl_object_id($judged)] = $this->were[spl_object_id($other)] = true;
                }
            }
        }
        $this->outside[$place][$name] = $this->byLimits[$place][$limits][$name] = $judged;
    }

    public function were(JudgedReading $judged): bool
    {
        return isset($this->were[spl_object_id($judged)]);
    }

    /**
     * @param array<string, list<JudgedReading>> $latest by rail
     *
     * @return array<string, list<string>> by rail, with which others
     */
    public function now(array $latest): array
    {
        $now = [];
        foreach ($latest as $name => $readings) {
            foreach ($readings as $judged) {
                foreach ($this->were($judged) ? $this->outside[self::place($judged)] ?? [] : [] as $other) {
                    if (self::crossed($judged, $other)) {
                        $now[$name][] = $other->rail->name;
                    }
                }
            }
        }

        return array_map(static fn (array $names): array => array_values(array_unique($names)), $now);
    }

    private static function place(JudgedReading $judged): string
    {
        return "{$judged->reading->point->value} {$judged->reading->load->value}";
    }

    private static function crossed(JudgedReading $one, JudgedReading $other): bool
    {
        return $one->rail->name !== $other->rail->name
            && $one->rail->kind === $other->rail->kind
            && ($one->rail->nominalV > 0) === ($other->rail->nominalV > 0)
            && self::inside((float) $one->reading->volts, $other->rail->limits)
            && self::inside((float) $other->reading->volts, $one->rail->limits);
    }

    private static function inside(float $volts, Limits $limits): bool
    {
        return Compare::atLeast($volts, $limits->low) && Compare::atMost($volts, $limits->high);
    }
}
