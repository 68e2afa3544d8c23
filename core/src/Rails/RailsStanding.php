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
     * @param array<string, Rail>                $rails
     * @param list<JudgedReading>                $all     in time order
     * @param array<string, JudgedReading>       $latest  by key, with or without volts
     * @param array<string, JudgedReading>       $volts   by key, the latest with volts
     * @param array<string, list<JudgedReading>> $ofRail  the same by rail, so that a question about one rail costs no more with many rails
     * @param array<string, JudgedReading>       $last    by rail, the last with volts at whatever point and load
     * @param array<string, list<JudgedReading>> $counted by rail, for voltage, ripple or resistance
     */
    private function __construct(
        public array $rails,
        public array $all,
        private array $latest,
        private array $volts,
        private array $ofRail,
        private array $last,
        private array $counted,
    ) {
    }

    /**
     * @param array<string, Rail> $rails
     * @param list<JudgedReading> $all
     */
    public static function of(array $rails, array $all): self
    {
        $latest = $volts = $ofRail = $last = $counted = [];
        foreach ($all as $judged) {
            $latest[$judged->reading->key()] = $judged;
            if ($judged->verdict !== null) {
                $volts[$judged->reading->key()] = $judged;
                $last["\0{$judged->rail->name}"] = $judged;
            }
        }
        foreach ($all as $judged) {
            $key = $judged->reading->key();
            if ($judged === $latest[$key] || $judged === ($volts[$key] ?? null)) {
                $counted["\0{$judged->rail->name}"][] = $judged;
            }
        }
        foreach ($volts as $judged) {
            $ofRail["\0{$judged->rail->name}"][] = $judged;
        }

        return new self(rails: $rails, all: $all, latest: $latest, volts: $volts, ofRail: $ofRail, last: $last, counted: $counted);
    }

    /** @return list<JudgedReading> every reading of a rail that counts, for its voltage, its ripple or its resistance */
    public function counted(Rail $rail): array
    {
        return $this->counted["\0{$rail->name}"] ?? [];
    }

    /** @return list<JudgedReading> with volts, latest of each rail, point and load */
    public function volts(?Rail $rail = null): array
    {
        return $rail === null ? array_values($this->volts) : $this->ofRail["\0{$rail->name}"] ?? [];
    }

    /** @return list<JudgedReading> with volts and the right way round */
    public function forward(?Rail $rail = null): array
    {
        return array_values(array_filter($this->volts($rail), static fn (JudgedReading $judged): bool => !$judged->reversed()));
    }

    /** @return list<JudgedReading> whose latest resistance to ground is a short */
    public function shorted(?Rail $rail = null): array
    {
        $latest = $rail === null ? $this->latest : array_filter(
            $this->counted($rail),
            fn (JudgedReading $judged): bool => $judged === $this->latest[$judged->reading->key()],
        );

        return array_values(array_filter($latest, static fn (JudgedReading $judged): bool => $judged->shorted()));
    }

    /** The last reading with volts of a rail, at whatever point and load. */
    public function last(Rail $rail): ?JudgedReading
    {
        return $this->last["\0{$rail->name}"] ?? null;
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
