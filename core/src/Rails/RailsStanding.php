<?php

declare(strict_types=1);

namespace Ash\Rails;

/**
 * The readings that count: of each rail, point and load only the latest. A later reading without volts
 * tells the resistance but measures no voltage, so the latest one with volts stands beside it.
 *
 * "volts" lists never hold a reversed reading where a cause other than `reversed` is looked for.
 */
final readonly class RailsStanding
{
    /**
     * @param array<string, Rail>          $rails
     * @param list<JudgedReading>          $all    in time order
     * @param array<string, JudgedReading> $latest by key, with or without volts
     * @param array<string, JudgedReading> $volts  by key, the latest with volts
     */
    private function __construct(public array $rails, public array $all, private array $latest, private array $volts)
    {
    }

    /**
     * @param array<string, Rail> $rails
     * @param list<JudgedReading> $all
     */
    public static function of(array $rails, array $all): self
    {
        $latest = $volts = [];
        foreach ($all as $judged) {
            $latest[$judged->reading->key()] = $judged;
            if ($judged->verdict !== null) {
                $volts[$judged->reading->key()] = $judged;
            }
        }

        return new self($rails, $all, $latest, $volts);
    }

    /** @return list<JudgedReading> every reading that counts, for its voltage, its ripple or its resistance */
    public function counted(): array
    {
        return array_values(array_filter(
            $this->all,
            fn (JudgedReading $judged): bool => in_array(
                $judged,
                [$this->latest[$judged->reading->key()], $this->volts[$judged->reading->key()] ?? null],
                true,
            ),
        ));
    }

    /** @return list<JudgedReading> with volts, latest of each rail, point and load */
    public function volts(?Rail $rail = null): array
    {
        return array_values(array_filter(
            $this->volts,
            static fn (JudgedReading $judged): bool => $rail === null || $judged->rail->name === $rail->name,
        ));
    }

    /** @return list<JudgedReading> with volts and the right way round */
    public function forward(?Rail $rail = null): array
    {
        return array_values(array_filter($this->volts($rail), static fn (JudgedReading $judged): bool => !$judged->reversed()));
    }

    /** @return list<JudgedReading> whose latest resistance to ground is a short */
    public function shorted(): array
    {
        return array_values(array_filter($this->latest, static fn (JudgedReading $judged): bool => $judged->shorted()));
    }

    /** The last reading with volts of a rail, at whatever point and load. */
    public function last(Rail $rail): ?JudgedReading
    {
        $last = null;
        foreach ($this->all as $judged) {
            if ($judged->rail->name === $rail->name && $judged->verdict !== null) {
                $last = $judged;
            }
        }

        return $last;
    }

    /** @return list<JudgedReading> those that make the rail's state */
    public function making(Rail $rail): array
    {
        $volts = $this->volts($rail);
        $loaded = array_values(array_filter($volts, static fn (JudgedReading $judged): bool => $judged->reading->load !== Load::None));

        return $rail->needsLoad && $loaded !== [] ? $loaded : $volts;
    }

    /** The worst verdict among the readings that make the state; null while the rail is unmeasured. */
    public function state(Rail $rail): ?Verdict
    {
        return self::worst($this->making($rail));
    }

    /** The state as the right-way-round readings alone would make it. */
    public function forwardState(Rail $rail): ?Verdict
    {
        return self::worst(array_filter($this->making($rail), static fn (JudgedReading $judged): bool => !$judged->reversed()));
    }

    public function hasConclusive(Rail $rail): bool
    {
        foreach ($this->volts($rail) as $judged) {
            if ($judged->conclusive) {
                return true;
            }
        }

        return false;
    }

    /**
     * Ordered pairs of counted readings of one rail, for comparing points or loads.
     *
     * @return list<array{JudgedReading, JudgedReading}>
     */
    public function pairs(Rail $rail): array
    {
        $pairs = [];
        $readings = $this->forward($rail);
        foreach ($readings as $one) {
            foreach ($readings as $other) {
                if ($one !== $other) {
                    $pairs[] = [$one, $other];
                }
            }
        }

        return $pairs;
    }

    /** @param array<JudgedReading> $readings */
    private static function worst(array $readings): ?Verdict
    {
        $worst = null;
        foreach ($readings as $judged) {
            if ($judged->verdict !== null && ($worst === null || $judged->verdict->severity() > $worst->severity())) {
                $worst = $judged->verdict;
            }
        }

        return $worst;
    }
}
