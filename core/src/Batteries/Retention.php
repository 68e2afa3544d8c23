<?php

declare(strict_types=1);

namespace Ash\Batteries;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Quantity\Compare;
use Ash\Quantity\Notation;

/** A clock set, left without power, and looked at again. Verdicts: common practice, no source. A 20 ppm crystal may be off 1.7 s a day. */
final readonly class Retention
{
    private const KEPT_S = 2.0;
    private const KEPT_PPM = 100.0;
    private const DRIFTING_PPM = 1000.0;

    /** @param list<string> $reasons */
    private function __construct(public float $driftS, public float $ppm, public float $secondsPerDay, public ClockVerdict $verdict, public array $reasons)
    {
    }

    /**
     * @param float $elapsedS  from setting to looking, above 0
     * @param float $sinceSetS what the clock shows, in seconds after the time it was set to; negative: before
     * @param float $powerOffS of the time between, 0 to $elapsedS
     */
    public static function of(float $elapsedS, float $sinceSetS, float $powerOffS): self
    {
        $drift = $sinceSetS - $elapsedS;
        $ppm = $drift / $elapsedS * 1e6;
        $verdict = self::verdict($drift, $ppm, $sinceSetS, $powerOffS);

        return new self($drift, $ppm, $drift / $elapsedS * 86400, $verdict, [self::said($drift, $ppm), $verdict->meaning()]);
    }

    public static function read(Node $node): self
    {
        $node->only('set_at', 'checked_at', 'clock_read', 'power_off_h');

        return self::between(
            $node->at('set_at')->instant(),
            $node->at('checked_at')->instant(),
            $node->at('clock_read')->instant(),
            $node->at('power_off_h')->notNegative(),
            $node->pointer,
        );
    }

    /** @throws InvalidDocument at a field of the entry */
    public static function since(\DateTimeImmutable $set, ClockRead $read): self
    {
        return self::between($set, $read->checkedAt, $read->clockRead, $read->powerOffH, '/data');
    }

    private static function between(\DateTimeImmutable $set, \DateTimeImmutable $checked, \DateTimeImmutable $shown, float $powerOffH, string $pointer): self
    {
        $elapsed = self::seconds($set, $checked);
        if ($elapsed <= 0) {
            throw InvalidDocument::at("{$pointer}/checked_at", 'must be later than set_at');
        }
        if (Compare::above($powerOffH * 3600, $elapsed)) {
            throw InvalidDocument::at("{$pointer}/power_off_h", 'must be at most the time between, '.Notation::plain($elapsed / 3600, 4).' h');
        }

        return self::of($elapsed, self::seconds($set, $shown), $powerOffH * 3600);
    }

    private static function seconds(\DateTimeImmutable $from, \DateTimeImmutable $to): float
    {
        return ($to->getTimestamp() - $from->getTimestamp()) + ((int) $to->format('u') - (int) $from->format('u')) / 1e6;
    }

    private static function verdict(float $drift, float $ppm, float $sinceSet, float $off): ClockVerdict
    {
        return match (true) {
            $sinceSet < 0 => ClockVerdict::Lost,
            $off > 120 && Compare::atMost(abs($drift + $off), max(60.0, 0.02 * $off)) => ClockVerdict::Stopped,
            Compare::atMost(abs($drift), self::KEPT_S) || Compare::atMost(abs($ppm), self::KEPT_PPM) => ClockVerdict::Kept,
            Compare::atMost(abs($ppm), self::DRIFTING_PPM) => ClockVerdict::Drifting,
            default => $drift > 0 ? ClockVerdict::Fast : ClockVerdict::Slow,
        };
    }

    private static function said(float $drift, float $ppm): string
    {
        return $drift === 0.0
            ? 'to the second'
            : Notation::plain(abs($drift), 4).' s '.($drift > 0 ? 'fast' : 'slow').', '.Notation::plain(abs($ppm), 3).' ppm';
    }
}
