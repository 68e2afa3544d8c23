<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/**
 * A reading that is asked back before it goes into the record: a figure in another unit, or one that belongs to another rail
 * (common practice, no source). Whoever is sure says so and it is kept as it stands.
 */
final readonly class AskedBack
{
    private function __construct(public string $question)
    {
    }

    /** @param array<string, Rail> $rails of the supply, within the bands that are in force */
    public static function about(JudgedReading $it, array $rails): ?self
    {
        $reading = $it->reading;
        if ($it->voltsSlip && $reading->volts !== null) {
            return new self(Notation::print($reading->volts / 1000, Unit::Volt).' on '.$it->rail->name.'? '.Notation::plain($reading->volts).' was said');
        }
        if ($it->rippleSlip && $reading->rippleMvpp !== null) {
            return new self(Notation::plain($reading->rippleMvpp * 1000).' mVpp on '.$it->rail->name.'? '.Notation::plain($reading->rippleMvpp).' was said');
        }
        $others = $it->verdict === Verdict::Out ? self::whose((float) $reading->volts, $it->rail, $rails) : [];

        return $others === [] ? null : new self(
            'was this '.implode(' or ', $others).'? '.Notation::print((float) $reading->volts, Unit::Volt)." lies outside {$it->rail->limits->words()}",
        );
    }

    /**
     * @param array<string, Rail> $rails
     *
     * @return list<string> other rails that would read so when they are well
     */
    private static function whose(float $volts, Rail $live, array $rails): array
    {
        $inside = static fn (Rail $rail): bool => $rail->name !== $live->name && $rail->kind === $live->kind
            && Compare::atLeast($volts, $rail->limits->low) && Compare::atMost($volts, $rail->limits->high);

        return array_values(array_map(static fn (Rail $rail): string => $rail->name, array_filter($rails, $inside)));
    }
}
