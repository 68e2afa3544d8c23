<?php

declare(strict_types=1);

namespace Ash\Rails;

/**
 * The readings that count. Before the last change on a rail nothing does. After it, of each rail, point and load only the latest voltage;
 * a reading without volts measures none, and a figure that was very likely typed in another unit is passed over. Resistance stands by itself,
 * the latest of a rail and point, whatever voltage was read since; so does an over-voltage under load.
 *
 * "forward" lists never hold a reversed reading: it speaks for `reversed` and for no other cause.
 */
final readonly class RailsStanding
{
    /**
     * @param array<string, Rail>                $rails
     * @param list<JudgedReading>                $all       in time order, since the last change of each rail
     * @param array<string, list<JudgedReading>> $ofRail    by rail, the latest voltage of each point and load
     * @param array<string, JudgedReading>       $last      by rail, the last voltage at whatever point and load
     * @param array<string, list<JudgedReading>> $ripples   by rail, the ripple that counts of each point and load
     * @param array<string, list<JudgedReading>> $ohms      by rail, the latest resistance of each point
     * @param array<string, list<JudgedReading>> $overs     by rail, over-voltages that stand
     * @param array<string, list<JudgedReading>> $slips     by rail, figures that were asked back and not read again
     * @param array<string, true>                $measured  by rail: it has a voltage, if only a slip
     * @param array<string, list<string>>        $exchanged by rail, with which others its reading changed places
     */
    private function __construct(
        public array $rails,
        public array $all,
        private array $ofRail,
        private array $last,
        private array $ripples,
        private array $ohms,
        private array $overs,
        private array $slips,
        private array $measured,
        private array $exchanged,
    ) {
    }

    /**
     * @param array<string, Rail> $rails
     * @param list<JudgedReading> $all
     */
    public static function of(array $rails, array $all): self
    {
        $all = self::sinceChanges($all);
        /** @var array<string, array<string, JudgedReading>> $volts */
        $volts = [];
        $ripples = $ohms = $slips = $volts;
        $last = $over = $measured = [];
        $places = new Exchanges();
        foreach ($all as $judged) {
            $reading = $judged->reading;
            $key = $reading->key();
            $name = "\0{$judged->rail->name}";
            if ($reading->ohmsToGround !== null) {
                $ohms[$name][$reading->point->value] = $judged;
            }
            if ($judged->unitSlip()) {
                $slips[$name][$key] = $judged;
            } elseif ($judged->verdict !== null) {
                unset($slips[$name][$key]);
            }
            if ($reading->rippleMvpp !== null && !$judged->rippleSlip) {
                $ripples[$name][$key] = $judged;
            } elseif ($judged->verdict !== null && !$judged->unitSlip()) {
                unset($ripples[$name][$key]);
            }
            if ($judged->verdict === null) {
                continue;
            }
            $measured[$name] = true;
            if ($judged->voltsSlip) {
                continue;
            }
            unset($volts[$name][$key]);
            $volts[$name][$key] = $last[$name] = $judged;
            $places->add($judged);
            if ($judged->overVoltage() && $judged->rail->loaded($reading->load)) {
                $over[$name][] = $judged;
            }
        }
        $ofRail = self::lists($volts);
        $stand = static fn (JudgedReading $it): bool => !$places->were($it) || $volts["\0{$it->rail->name}"][$it->reading->key()] === $it;

        return new self(
            rails: $rails,
            all: $all,
            ofRail: $ofRail,
            last: $last,
            ripples: self::lists($ripples),
            ohms: self::lists($ohms),
            overs: array_map(static fn (array $of): array => array_values(array_filter($of, $stand)), $over),
            slips: self::lists($slips),
            measured: $measured,
            exchanged: $places->now($ofRail),
        );
    }

    /**
     * @param array<string, array<string, JudgedReading>> $byKey by rail and key
     *
     * @return array<string, list<JudgedReading>>
     */
    private static function lists(array $byKey): array
    {
        return array_map(static fn (array $of): array => array_values($of), $byKey);
    }

    /**
     * @param list<JudgedReading> $all
     *
     * @return list<JudgedReading> without those before the last change of their rail
     */
    private static function sinceChanges(array $all): array
    {
        $from = [];
        foreach ($all as $i => $judged) {
            if ($judged->reading->changed) {
                $from["\0{$judged->rail->name}"] = $i;
            }
        }

        return array_values(
            array_filter($all, static fn (JudgedReading $it, int $i): bool => $i >= ($from["\0{$it->rail->name}"] ?? 0), ARRAY_FILTER_USE_BOTH),
        );
    }

    /** @return list<JudgedReading> with volts, latest of each rail, point and load */
    public function volts(?Rail $rail = null): array
    {
        return $rail === null ? array_merge(...array_values($this->ofRail)) : $this->ofRail["\0{$rail->name}"] ?? [];
    }

    /** @return list<JudgedReading> with volts and the right way round */
    public function forward(Rail $rail): array
    {
        return array_values(array_filter($this->volts($rail), static fn (JudgedReading $judged): bool => !$judged->reversed()));
    }

    /** @return list<JudgedReading> whose ripple counts */
    public function ripples(Rail $rail): array
    {
        return $this->ripples["\0{$rail->name}"] ?? [];
    }

    /** Ripple is out somewhere on the rail. */
    public function rough(Rail $rail): bool
    {
        return array_filter($this->ripples($rail), static fn (JudgedReading $it): bool => $it->rippleOut === true) !== [];
    }

    /** @return list<JudgedReading> the latest resistance to ground of each point */
    public function resistances(Rail $rail): array
    {
        return $this->ohms["\0{$rail->name}"] ?? [];
    }

    /** @return list<JudgedReading> latest ones beyond the high limit, and those under load that stand until the rail is changed; not exchanged ones */
    public function overVoltages(Rail $rail): array
    {
        if ($this->isExchanged($rail)) {
            return [];
        }
        $overs = $this->overs["\0{$rail->name}"] ?? [];
        foreach ($this->forward($rail) as $judged) {
            $judged->overVoltage() && !in_array($judged, $overs, true) && $overs[] = $judged;
        }

        return $overs;
    }

    /** @return list<JudgedReading> figures that were asked back */
    public function slips(Rail $rail): array
    {
        return $this->slips["\0{$rail->name}"] ?? [];
    }

    public function isMeasured(Rail $rail): bool
    {
        return isset($this->measured["\0{$rail->name}"]);
    }

    /** @return list<Rail> */
    public function measured(): array
    {
        return array_values(array_filter($this->rails, $this->isMeasured(...)));
    }

    public function isExchanged(Rail $rail): bool
    {
        return isset($this->exchanged["\0{$rail->name}"]);
    }

    /** @return array<string, list<string>> by rail */
    public function exchanged(): array
    {
        return $this->exchanged;
    }

    /** Every latest voltage of it is below a tenth of nominal. */
    public function dead(Rail $rail): bool
    {
        $forward = $this->forward($rail);

        return $forward !== [] && array_filter($forward, static fn (JudgedReading $it): bool => !$it->absent()) === [];
    }

    /** A reading that makes its state is low, and it is neither dead nor exchanged. */
    public function weak(Rail $rail): bool
    {
        return !$this->isExchanged($rail) && !$this->dead($rail)
            && array_filter($this->making($rail), static fn (JudgedReading $it): bool => $it->low()) !== [];
    }

    /** @return array<string, Rail> */
    public function weakRails(): array
    {
        return array_filter($this->rails, $this->weak(...));
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
        $worst = null;
        foreach ($this->making($rail) as $judged) {
            if ($judged->verdict !== null && ($worst === null || $judged->verdict->severity() > $worst->severity())) {
                $worst = $judged->verdict;
            }
        }

        return $worst;
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
}
