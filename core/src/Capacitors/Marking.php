<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Facts\CapacitorKind;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/**
 * A capacitor's marking: IEC 60062 (letter as decimal point, tolerance letters), the three-digit code of EIA-198, voltage letters in
 * the catalogues' common use (from memory), and plain forms. Where a marking can mean several things, all of them are given.
 */
final readonly class Marking
{
    /** Volts by their two characters. */
    private const VOLTS = [
        '0E' => 2.5, '0G' => 4.0, '0J' => 6.3, '1A' => 10.0, '1C' => 16.0, '1D' => 20.0, '1E' => 25.0, '1V' => 35.0, '1H' => 50.0, '1J' => 63.0, '1K' => 80.0,
        '2A' => 100.0, '2B' => 125.0, '2C' => 160.0, '2D' => 200.0, '2E' => 250.0, '2F' => 315.0, '2V' => 350.0, '2G' => 400.0, '2W' => 450.0,
        '2H' => 500.0, '2J' => 630.0, '3A' => 1000.0,
    ];

    /** Percent below and above, from 10 pF up. */
    private const PERCENT = [
        'B' => [0.1, 0.1], 'C' => [0.25, 0.25], 'D' => [0.5, 0.5], 'F' => [1.0, 1.0], 'G' => [2.0, 2.0], 'J' => [5.0, 5.0], 'K' => [10.0, 10.0],
        'M' => [20.0, 20.0], 'N' => [30.0, 30.0],
        'Q' => [10.0, 30.0], 'S' => [20.0, 50.0], 'T' => [10.0, 50.0], 'Z' => [20.0, 80.0],
    ];

    /** Picofarad either way, below 10 pF. */
    private const PICOFARAD = ['B' => 0.1, 'C' => 0.25, 'D' => 0.5, 'F' => 1.0, 'G' => 2.0];
    private const STANDARD_V = [
        2.5,
        4.0,
        6.3,
        10.0,
        16.0,
        20.0,
        25.0,
        35.0,
        40.0,
        50.0,
        63.0,
        80.0,
        100.0,
        125.0,
        160.0,
        200.0,
        250.0,
        315.0,
        350.0,
        385.0,
        400.0,
        450.0,
        500.0,
        630.0,
        1000.0,
    ];
    private const POINT = ['p' => -12, 'n' => -9, 'u' => -6, 'm' => -3];

    /** @param array{minus_pct: float, plus_pct: float}|null $tolerance */
    private function __construct(public float $capacitanceF, public ?array $tolerance, public ?float $ratedV, public string $scheme)
    {
    }

    /** @return list<self> the pF reading first; [] when it cannot be read */
    public static function decode(string $marking, ?CapacitorKind $kind): array
    {
        $text = preg_replace(["/[\u{00B5}\u{03BC}]/u", '/\s+/', '/(?<=\d),(?=\d)/'], ['u', ' ', '.'], trim($marking)) ?? '';
        if ($text === '' || strlen($text) > 60) {
            return [];
        }
        [$text, $tolerance] = self::percentSign($text);
        [$rest, $volts] = self::voltSign($text);

        return array_values(array_filter(
            self::value(trim($rest), $kind, $volts, $tolerance),
            static fn (self $it): bool => $it->capacitanceF > 0 && $it->capacitanceF < 10,
        ));
    }

    public function words(): string
    {
        return Notation::print($this->capacitanceF, Unit::Farad, 4)
            .($this->tolerance === null
                ? ''
                : ($this->tolerance['minus_pct'] === $this->tolerance['plus_pct']
                    ? ' ±'.Notation::plain($this->tolerance['plus_pct'])
                    : ' -'.Notation::plain($this->tolerance['minus_pct']).'/+'.Notation::plain($this->tolerance['plus_pct'])).' %')
            .($this->ratedV === null ? '' : ' '.Notation::print($this->ratedV, Unit::Volt));
    }

    /** @return array{string, array{float, float}|null} the text without "10 %", "+80-20%" */
    private static function percentSign(string $text): array
    {
        $number = '(\d+(?:\.\d+)?)';
        if (preg_match(
            "~\\+ ?{$number} ?/?-? ?{$number}? ?%|- ?{$number} ?/?\\+ ?{$number} ?%|(?:±|\\+/-|\\+-)? ?{$number} ?%~u",
            $text,
            $m,
            PREG_UNMATCHED_AS_NULL,
        ) !== 1) {
            return [$text, null];
        }
        $both = [(float) ($m[3] ?? $m[2] ?? $m[5] ?? $m[1] ?? 0), (float) ($m[4] ?? $m[1] ?? $m[5] ?? 0)];

        return [trim(str_replace((string) $m[0], ' ', $text)), $both];
    }

    /** @return array{string, ?float} the text without "25V", "6V3", "250 VAC" */
    private static function voltSign(string $text): array
    {
        if (preg_match('/(?<![\w.])(\d+)V(\d)(?![\w.])|(?<![\w.])(\d+(?:\.\d+)?) ?(?:WV|V(?:DC|AC|~|-)?)(?![\w])/i', $text, $m, PREG_UNMATCHED_AS_NULL) !== 1) {
            return [$text, null];
        }

        return [trim(str_replace((string) $m[0], ' ', $text)), isset($m[1]) ? (float) "{$m[1]}.{$m[2]}" : (float) ($m[3] ?? 0)];
    }

    /**
     * @param array{float, float}|null $tolerance
     *
     * @return list<self>
     */
    private static function value(string $text, ?CapacitorKind $kind, ?float $volts, ?array $tolerance): array
    {
        $make = static fn (float $farad, string $scheme, ?float $v = null, string $letter = ''): self => new self(
            $farad,
            self::tolerance($farad, strtoupper($letter), $tolerance),
            $v ?? $volts,
            $scheme,
        );
        $letter = '([BCDFGJKMNQSTZ])?';
        if (preg_match('~^(\\d+(?:\\.\\d+)?) ?/ ?(\\d+(?:\\.\\d+)?)$~', $text, $m) === 1) {
            return $volts === null ? [$make(self::scaled($m[1], -6), 'plain', (float) $m[2])] : [];
        }
        if (preg_match('/^(\d+(?:\.\d+)?|\.\d+) ?(pF|nF|uF|mF|MF|MFD|F)\.?$/i', $text, $m) === 1) {
            return [$make(self::scaled($m[1], self::unit($m[2])), 'plain')];
        }
        if (preg_match("/^([0-3][A-Z]) ?(\\d{3}|\\d*[pnum]\\d*) ?{$letter}$/i", $text, $m) === 1 && isset(self::VOLTS[strtoupper($m[1])]) && $volts === null) {
            $farad = ctype_digit($m[2]) ? self::code($m[2]) : self::point($m[2]);

            return $farad === null ? [] : [$make($farad, 'voltage_prefixed', self::VOLTS[strtoupper($m[1])], $m[3] ?? '')];
        }
        if (preg_match("/^(\\d*)R(\\d*) ?{$letter}$/i", $text, $m) === 1 && $m[1].$m[2] !== '') {
            return array_map(
                static fn (int $unit): self => $make(self::scaled("{$m[1]}.{$m[2]}", $unit), 'letter_point', null, $m[3] ?? ''),
                self::units($kind, [CapacitorKind::Ceramic, CapacitorKind::Film], [CapacitorKind::Aluminium, CapacitorKind::Polymer, CapacitorKind::Tantalum]),
            );
        }
        if (preg_match("/^(\\d*[pnum]\\d*) ?{$letter}$/i", $text, $m) === 1 && self::point($m[1]) !== null) {
            return [$make((float) self::point($m[1]), 'letter_point', null, $m[2] ?? '')];
        }

        return self::digits($text, $kind, $make);
    }

    /**
     * @param \Closure(float, string, ?float, string): self $make
     *
     * @return list<self>
     */
    private static function digits(string $text, ?CapacitorKind $kind, \Closure $make): array
    {
        if (preg_match('/^(\d*\.\d+)$/', $text, $m) === 1) {
            return [$make(self::scaled($m[1], -6), 'plain', null, '')];
        }
        if (preg_match('/^(\d{3}) ?([BCDFGJKMNQSTZ])$/i', $text, $m) === 1) {
            return in_array($kind, [CapacitorKind::Aluminium, CapacitorKind::Polymer], true)
                ? [$make(self::scaled($m[1], -6), 'plain', null, $m[2])]
                : [$make(self::code($m[1]), 'three_digit', null, $m[2])];
        }
        if (preg_match('/^\d{3}$/', $text) === 1) {
            return array_map(
                static fn (int $unit): self => $unit === -12
                    ? $make(self::code($text), 'three_digit', null, '')
                    : $make(self::scaled($text, -6), 'plain', null, ''),
                self::units(
                    $kind,
                    [CapacitorKind::Ceramic, CapacitorKind::Film, CapacitorKind::MainsSuppression, CapacitorKind::Tantalum],
                    [CapacitorKind::Aluminium, CapacitorKind::Polymer],
                ),
            );
        }
        if (preg_match('/^\d{1,2}$|^\d{4,6}$/', $text) === 1) {
            return array_map(
                static fn (int $unit): self => $make(self::scaled($text, $unit), 'plain', null, ''),
                self::units($kind, [CapacitorKind::Ceramic], [CapacitorKind::Aluminium]),
            );
        }
        if (preg_match('/^(\d+(?:\.\d+)?) (\d+(?:\.\d+)?)$/', $text, $m) === 1) {
            return self::twoNumbers($m[1], $m[2], $make);
        }

        return [];
    }

    /**
     * Two bare numbers are microfarad and volts in one order or the other, as far as the volts are a rating that is made.
     *
     * @param \Closure(float, string, ?float, string): self $make
     *
     * @return list<self>
     */
    private static function twoNumbers(string $one, string $other, \Closure $make): array
    {
        $readings = [];
        foreach ([[$one, $other], [$other, $one]] as [$value, $volts]) {
            if (in_array((float) $volts, self::STANDARD_V, true)) {
                $readings[] = $make(self::scaled($value, -6), 'plain', (float) $volts, '');
            }
        }

        return $readings;
    }

    /**
     * @param list<CapacitorKind> $pico
     * @param list<CapacitorKind> $micro
     *
     * @return list<int> powers of ten, both where the kind does not decide, the pF first
     */
    private static function units(?CapacitorKind $kind, array $pico, array $micro): array
    {
        return match (true) {
            in_array($kind, $pico, true) => [-12],
            in_array($kind, $micro, true) => [-6],
            default => [-12, -6],
        };
    }

    /** Two figures and a power of ten in pF; 9 means x 0.1, 8 means x 0.01. */
    private static function code(string $digits): float
    {
        return self::scaled(substr($digits, 0, 2), -12 + match ($digits[2]) {
            '9' => -1,
            '8' => -2,
            default => (int) $digits[2],
        });
    }

    /** 4n7, p33, 10n; null when there is no figure in it. */
    private static function point(string $text): ?float
    {
        $letter = strtolower(preg_replace('/[\d.]/', '', $text) ?? '');
        $digits = explode($letter === '' ? ' ' : $letter, strtolower($text));

        // A capital M is a tolerance, never milli.
        return !isset(self::POINT[$letter]) || str_contains($text, 'M') || implode('', $digits) === ''
            ? null
            : self::scaled("{$digits[0]}.".($digits[1] ?? ''), self::POINT[$letter]);
    }

    /** "MF" on old parts is microfarad; only "mF" written so is milli. */
    private static function unit(string $unit): int
    {
        return match (true) {
            strcasecmp($unit, 'pF') === 0 => -12,
            strcasecmp($unit, 'nF') === 0 => -9,
            $unit === 'mF' => -3,
            strcasecmp($unit, 'F') === 0 => 0,
            default => -6,
        };
    }

    /** Figures times a power of ten, rounded once: 220 and -6 is the float that 0.00022 is. */
    private static function scaled(string $figures, int $power): float
    {
        return (float) "0{$figures}e{$power}";
    }

    /**
     * @param array{float, float}|null $written in percent
     *
     * @return array{minus_pct: float, plus_pct: float}|null
     */
    private static function tolerance(float $farad, string $letter, ?array $written): ?array
    {
        if ($letter === '') {
            return $written === null ? null : ['minus_pct' => $written[0], 'plus_pct' => $written[1]];
        }
        if ($farad > 0.0 && $farad < 10e-12 * (1 - 1e-9) && isset(self::PICOFARAD[$letter])) {
            $pct = self::PICOFARAD[$letter] / ($farad * 1e12) * 100;

            return ['minus_pct' => $pct, 'plus_pct' => $pct];
        }

        return ['minus_pct' => self::PERCENT[$letter][0], 'plus_pct' => self::PERCENT[$letter][1]];
    }
}
