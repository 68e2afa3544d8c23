<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Facts\PowerOn;

/** Verdicts, causes and power-on advice for a set of readings. */
final readonly class Judgement
{
    /**
     * @param list<JudgedReading> $verdicts       one per reading, in order
     * @param list<Cause>         $causes
     * @param list<string>        $powerOnReasons
     */
    private function __construct(
        public RailsStanding $standing,
        public array $verdicts,
        public array $causes,
        public PowerOn $powerOn,
        public array $powerOnReasons,
    ) {
    }

    /**
     * @param array<string, Rail> $rails    as Rail::byName() gives them
     * @param list<Reading>       $readings in time order, each of a rail in $rails
     */
    public static function of(array $rails, MeterAccuracy $meter, array $readings): self
    {
        $verdicts = array_map(
            static fn (Reading $reading): JudgedReading => JudgedReading::judge($rails["\0{$reading->rail}"], $reading, $reading->meter ?? $meter),
            $readings,
        );
        $standing = RailsStanding::of($rails, $verdicts);
        $causes = array_values(array_filter(array_map(
            static fn (CauseRule $rule): ?Cause => $rule->cause($standing),
            self::rules(),
        )));
        [$powerOn, $reasons] = PowerOnAdvice::of($standing, $causes);

        return new self($standing, $verdicts, $causes, $powerOn, $reasons);
    }

    /** @return list<CauseRule> what can do damage first */
    private static function rules(): array
    {
        return [
            new Causes\Reversed(),
            new Causes\ShortedRail(),
            new Causes\OverVoltage(),
            new Causes\BiasMissing(),
            new Causes\Exchanged(),
            new Causes\StandbyOnly(),
            new Causes\AllAbsent(),
            new Causes\DeadOutput(),
            new Causes\Unsteady(),
            new Causes\AllScaled(),
            new Causes\SeveralWeak(),
            new Causes\LowWithRipple(),
            new Causes\SagsUnderLoad(),
            new Causes\OpenPath(),
            new Causes\DropInPath(),
            new Causes\WeakOutput(),
            new Causes\RippleHigh(),
            new Causes\LowResistance(),
        ];
    }
}
