<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/**
 * A rail that is shorted to ground, walked along in milliohms with the power off: the way to the short has resistance, so the place
 * that reads lowest is nearest to it (common practice, no source).
 */
final readonly class ShortWalk
{
    /** Two places that differ by less cannot be told apart, in ohms. */
    private const APART_OHM = 0.002;

    /**
     * @param list<string> $left    places that are not read yet, in order along the rail
     * @param list<string> $nearest places that read lowest; more than one when the meter cannot tell them apart
     */
    private function __construct(public array $left, public array $nearest, public string $says)
    {
    }

    /**
     * @param list<string>         $points in order along the rail
     * @param array<string, float> $ohms   to ground without the leads, by place
     *
     * @return self|null null while nothing on it reads as a short
     */
    public static function of(string $rail, array $points, array $ohms): ?self
    {
        if ($ohms === [] || !JudgedReading::isShort(min($ohms))) {
            return null;
        }
        $lowest = min($ohms);
        $nearest = array_keys(array_filter($ohms, static fn (float $it): bool => Compare::atMost($it, $lowest + self::APART_OHM)));
        $left = array_values(array_filter($points, static fn (string $it): bool => !isset($ohms[$it])));
        $places = implode(' and ', $nearest);
        $says = count($ohms) === 1
            ? "{$rail} is shorted: walk along it in milliohms, the lowest place is nearest"
            : "{$rail} is lowest at {$places}, ".Notation::print($lowest, Unit::Ohm, 3).': the short is nearest there'
                .($left === [] ? '; lift what hangs there, one part at a time' : '');

        return new self($left, array_map(strval(...), $nearest), $says);
    }
}
