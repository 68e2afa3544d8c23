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

    /** A drift that can be told from the clock's own steps. */
    private const TELLS = 2.0;

    /** @param list<string> $reasons */
    private function __construct(
        public int $yearOff,
        public float $driftS,
        public float $ppm,
        public float $secondsPerDay,
        public ClockVerdict $verdict,
        public array $reasons,
    ) {
    }

    /**
     * @param float $elapsedS    from setting to looking, above 0
     * @param float $sinceSetS   what the clock shows, in seconds after the time it was set to; negative: before
     * @param float $powerOffS   of the time between, 0 to $elapsedS
     * @param float $resolutionS what the clock shows in, above 0
     * @param int   $yearOff     years by which what it shows was moved
     */
    public static function of(float $elapsedS, float $sinceSetS, float $powerOffS, float $resolutionS = 1.0, int $yearOff = 0): self
    {
        $drift = $sinceSetS - $elapsedS;
        $ppm = $drift / $elapsedS * 1e6;
        $verdict = self::verdict($drift, $ppm, $sinceSetS, $powerOffS, $resolutionS);
        $kept = Compare::atMost(abs($drift), max(self::KEPT_S, $resolutionS)) || Compare::atMost(abs($ppm), self::KEPT_PPM);

        return new self($yearOff, $drift, $ppm, $drift / $elapsedS * 86400, $verdict, array_values(array_filter([
            self::said($drift, $ppm),
            $verdict->meaning(),
            $verdict !== ClockVerdict::Kept || $kept ? null : 'it shows steps of '.Notation::plain($resolutionS).' s: a drift of 1000 ppm could be told after '
                .Notation::plain(self::TELLS * $resolutionS / (self::DRIFTING_PPM * 1e-6) / 3600, 3).' h and more',
            $yearOff === 0 ? null : 'it cannot hold its year: '.abs($yearOff).' years '.($yearOff > 0 ? 'were added' : 'were taken off'),
        ])));
    }

    public static function read(Node $node): self
    {
        $node->only('set_at', 'checked_at', 'clock_read', 'power_off_h', 'clock_resolution_s', 'year_kept');

        return self::between(
            set: $node->at('set_at')->instant(),
            checked: $node->at('checked_at')->instant(),
            shown: $node->at('clock_read')->instant(),
            powerOffH: $node->at('power_off_h')->notNegative(),
            resolutionS: $node->optional('clock_resolution_s')?->positive() ?? 1.0,
            yearKept: $node->optional('year_kept')?->bool() ?? true,
            pointer: $node->pointer,
        );
    }

    /** @throws InvalidDocument at a field of the entry */
    public static function since(\DateTimeImmutable $set, ClockRead $read): self
    {
        return self::between($set, $read->checkedAt, $read->clockRead, $read->powerOffH, $read->clockResolutionS ?? 1.0, $read->yearKept ?? true, '/data');
    }

    private static function between(
        \DateTimeImmutable $set,
        \DateTimeImmutable $checked,
        \DateTimeImmutable $shown,
        float $powerOffH,
        float $resolutionS,
        bool $yearKept,
        string $pointer,
    ): self {
        $elapsed = self::seconds($set, $checked);
        if ($elapsed <= 0) {
            throw InvalidDocument::at("{$pointer}/checked_at", 'must be later than set_at');
        }
        if (Compare::above($powerOffH * 3600, $elapsed)) {
            throw InvalidDocument::at("{$pointer}/power_off_h", 'must be at most the time between, '.Notation::plain($elapsed / 3600, 4).' h');
        }
        $moved = $yearKept ? $shown : self::nearest($shown, $checked);

        return self::of($elapsed, self::seconds($set, $moved), $powerOffH * 3600, $resolutionS, (int) $moved->format('Y') - (int) $shown->format('Y'));
    }

    /** The same month, day and time in the year that brings it nearest; 29 February is the 28th in a year without it. */
    private static function nearest(\DateTimeImmutable $shown, \DateTimeImmutable $to): \DateTimeImmutable
    {
        $around = (int) $to->setTimezone($shown->getTimezone())->format('Y');
        $best = $shown;
        $least = INF;
        foreach ([$around - 1, $around, $around + 1] as $year) {
            [$month, $day] = [(int) $shown->format('n'), (int) $shown->format('j')];
            $moved = $shown->setDate($year, $month, $month === 2 && $day === 29 && !checkdate(2, 29, $year) ? 28 : $day);
            $away = abs(self::seconds($moved, $to));
            if ($away < $least) {
                [$best, $least] = [$moved, $away];
            }
        }

        return $best;
    }

    private static function seconds(\DateTimeImmutable $from, \DateTimeImmutable $to): float
    {
        return ($to->getTimestamp() - $from->getTimestamp()) + ((int) $to->format('u') - (int) $from->format('u')) / 1e6;
    }

    private static function verdict(float $drift, float $ppm, float $sinceSet, float $off, float $resolution): ClockVerdict
    {
        return match (true) {
            Compare::atMost($sinceSet, -$resolution) => ClockVerdict::Lost,
            Compare::above($off, 120) && Compare::atMost(abs($drift + $off), max(60.0, 0.02 * $off)) => ClockVerdict::Stopped,
            Compare::atMost(abs($drift), max(self::KEPT_S, self::TELLS * $resolution)), Compare::atMost(abs($ppm), self::KEPT_PPM) => ClockVerdict::Kept,
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
