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
    /** Kinds on which three figures are plain microfarad. */
    private const MICROFARAD = [CapacitorKind::Aluminium, CapacitorKind::Bipolar, CapacitorKind::Polymer];

    /** Characters, F and V: what is longer or larger is no marking of a part. */
    private const LONGEST = 60;
    private const MOST_F = 10.0;
    private const MOST_V = 1e6;
    private const POINT = ['p' => -12, 'n' => -9, 'u' => -6, 'm' => -3];

    /** @param array{minus_pct: float, plus_pct: float}|null $tolerance */
    private function __construct(public float $capacitanceF, public ?array $tolerance, public ?float $ratedV, public string $scheme)
    {
    }

    /** @return list<self> the pF reading first; [] when it cannot be read */
    public static function decode(string $marking, ?CapacitorKind $kind): array
    {
        $text = self::plainly($marking);
        if ($text === '' || strlen($text) > self::LONGEST) {
            return [];
        }
        [$text, $tolerance] = self::percentSign($text);
        [$rest, $volts] = self::volts($text);
        if ($volts !== null && !self::inRange($volts, self::MOST_V)) {
            return [];
        }

        return array_values(array_filter(
            self::value($rest, $kind, $volts, $tolerance),
            static fn (self $it): bool => self::inRange($it->capacitanceF, self::MOST_F) && ($it->ratedV === null || self::inRange($it->ratedV, self::MOST_V)),
        ));
    }

    /** One kind of micro, of space and of decimal point; no dots behind letters ("W.V.DC"). A comma before exactly three digits parts thousands. */
    private static function plainly(string $marking): string
    {
        $text = preg_replace(["/[\u{00B5}\u{03BC}]/u", '/\s+/'], ['u', ' '], trim($marking)) ?? '';
        $text = preg_replace('/(?<![\d.,])([1-9]\d{0,2}),(\d{3})(?![\d.,])/', '$1$2', $text) ?? '';

        return preg_replace(['/(?<=\d),(?=\d)/', '/(?<=[A-Za-z])\./'], ['.', ''], $text) ?? '';
    }

    private static function inRange(float $value, float $most): bool
    {
        return $value > 0 && $value < $most;
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

        return [trim(preg_replace('/ +/', ' ', str_replace((string) $m[0], ' ', $text)) ?? ''), $both];
    }

    /** @return array{string, ?float} the text without "25V", "2 kV", "6V3", "250 VDCW", or a bare number behind a space */
    private static function volts(string $text): array
    {
        $number = '(\d+(?:\.\d+)?|\.\d+)';
        $sign = '(kV|V|WV|VDC|WVDC|VDCW|DCWV|VAC)';
        $forms = ["~^(.*?) ?(?<![\\w.]){$number} ?{$sign}$~i", "~^{$number} ?{$sign} (.+)$~i", '/^(.*?) ?(?<![\w.])(\d+)V(\d)$/i', '/^(\d+)V(\d) (.+)$/i'];
        if (preg_match($forms[0], $text, $m) === 1) {
            return [$m[1], (float) $m[2] * (strcasecmp($m[3], 'kV') === 0 ? 1000 : 1)];
        }
        if (preg_match($forms[1], $text, $m) === 1) {
            return [$m[3], (float) $m[1] * (strcasecmp($m[2], 'kV') === 0 ? 1000 : 1)];
        }
        if (preg_match($forms[2], $text, $m) === 1) {
            return [$m[1], (float) "{$m[2]}.{$m[3]}"];
        }
        if (preg_match($forms[3], $text, $m) === 1) {
            return [$m[3], (float) "{$m[1]}.{$m[2]}"];
        }

        return preg_match("~^(.+) {$number}$~", $text, $m) === 1 ? [$m[1], (float) $m[2]] : [$text, null];
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
        $letter = '(?: ?([BCDFGJKMNQSTZ]))?';
        if (preg_match('~^(\d+(?:\.\d+)?|\.\d+) ?/ ?(\d+(?:\.\d+)?)$~', $text, $m) === 1) {
            return $volts === null ? [$make(self::scaled($m[1], -6), 'plain', (float) $m[2])] : [];
        }
        if (preg_match("/^(\\d+(?:\\.\\d+)?|\\.\\d+) ?(mmFD|uuFD|mmF|uuF|mFD|uFD|mF|uF|nF|pF){$letter}$/i", $text, $m) === 1) {
            return [$make(self::scaled($m[1], self::unit($m[2])), 'plain', null, $m[3] ?? '')];
        }
        if (preg_match("/^([0-3][A-Z])(\\d{3}|\\d*[pnum]\\d*){$letter}$/i", $text, $m) === 1 && isset(self::VOLTS[strtoupper($m[1])])) {
            $farad = ctype_digit($m[2]) ? self::code($m[2]) : self::point($m[2]);

            return $farad === null || $volts !== null ? [] : [$make($farad, 'voltage_prefixed', self::VOLTS[strtoupper($m[1])], $m[3] ?? '')];
        }
        if (preg_match("/^(\\d*)R(\\d*){$letter}$/i", $text, $m) === 1 && $m[1].$m[2] !== '') {
            return array_map(
                static fn (int $unit): self => $make(self::scaled("{$m[1]}.{$m[2]}", $unit), 'letter_point', null, $m[3] ?? ''),
                self::units($kind, [CapacitorKind::Ceramic, CapacitorKind::Film], [...self::MICROFARAD, CapacitorKind::Tantalum]),
            );
        }
        // Case tells N, a tolerance, from n; a capital M is a tolerance, never milli. With figures behind it an N can only be the point.
        if (preg_match("/^(\\d*[pPnum]\\d*|\\d*[NU]\\d+|\\d+U){$letter}$/", $text, $m) === 1 && self::point($m[1]) !== null) {
            return [$make((float) self::point($m[1]), 'letter_point', null, $m[2] ?? '')];
        }

        return preg_match("/^(\\d*\\.\\d+|\\d{1,6}){$letter}$/i", $text, $m) === 1 ? self::bare($m[1], $m[2] ?? '', $kind, $make) : [];
    }

    /**
     * A number alone, or with a tolerance letter behind it.
     *
     * @param \Closure(float, string, ?float, string): self $make
     *
     * @return list<self>
     */
    private static function bare(string $figures, string $letter, ?CapacitorKind $kind, \Closure $make): array
    {
        if (preg_match('/^\d{3}$/', $figures) === 1) {
            $units = self::units(
                $kind,
                [CapacitorKind::Ceramic, CapacitorKind::Film, CapacitorKind::MainsSuppression, CapacitorKind::Tantalum],
                self::MICROFARAD,
            );

            return array_map(
                static fn (int $unit): self => $unit === -12
                    ? $make(self::code($figures), 'three_digit', null, $letter)
                    : $make(self::scaled($figures, -6), 'plain', null, $letter),
                // With a letter behind them three figures are the code, unless the kind has none.
                $letter !== '' && count($units) > 1 ? [-12] : $units,
            );
        }
        $units = str_contains($figures, '.') && (float) $figures < 1
            ? [-6]
            : self::units($kind, [CapacitorKind::Ceramic], [...self::MICROFARAD, CapacitorKind::Tantalum]);

        return array_map(static fn (int $unit): self => $make(self::scaled($figures, $unit), 'plain', null, $letter), $units);
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

    /** Case is of no account, and mF is microfarad: nobody marked millifarad then; mmF is picofarad. */
    private static function unit(string $unit): int
    {
        return match (rtrim(strtolower($unit), 'd')) {
            'pf', 'mmf', 'uuf' => -12,
            'nf' => -9,
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
