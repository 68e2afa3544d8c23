<?php

declare(strict_types=1);

namespace Ash\Rails;

/**
 * Rails as they are read off a supply's label, in one line: "+5 6A, +12 1.5A, -12 0.3A, -5". A part that cannot be read stays as it was
 * written, with what is wrong with it; the readable ones count.
 */
final readonly class LabelLine
{
    private const LONGEST = 400;
    private const MOST_V = 60.0;

    /**
     * @param list<array<string, mixed>>                $rails  as a description holds them
     * @param list<array<string, mixed>>                $supply outputs with amperes, as a supply's label in a description holds them
     * @param list<array{text: string, wrong: ?string}> $parts  of the line in order; wrong: why it was not read
     */
    private function __construct(public array $rails, public array $supply, public array $parts)
    {
    }

    public static function read(string $line): self
    {
        $rails = $supply = $parts = $seen = [];
        // A comma between figures is a decimal point; between rails it stands before a blank, a sign or the end.
        foreach (preg_split('/[;\n]|,(?!\d)|,(?=\s)/u', mb_substr(trim($line), 0, self::LONGEST)) ?: [] as $text) {
            $text = trim($text);
            if ($text === '') {
                continue;
            }
            [$rail, $amps, $wrong] = self::part($text);
            if ($rail !== null && isset($seen[$rail['name']])) {
                [$rail, $wrong] = [null, 'is there already'];
            }
            $parts[] = ['text' => $text, 'wrong' => $wrong];
            if ($rail !== null) {
                $seen[$rail['name']] = true;
                $rails[] = $rail;
                if ($amps !== null) {
                    $supply[] = ['name' => $rail['name'], 'nominal_v' => $rail['nominal_v'], 'max_a' => $amps];
                }
            }
        }

        return new self($rails, $supply, $parts);
    }

    /** @return array{?array{name: string, nominal_v: float, ...}, ?float, ?string} the rail, its amperes, what is wrong */
    private static function part(string $text): array
    {
        $pattern = '/^([+\-−]?)\s*(\d{1,3}(?:[.,]\d{1,3})?)\s*V?\s*(ac|~|dc)?\s*(standby|sb)?\s*(?:[@:=]?\s*(\d{1,3}(?:[.,]\d{1,3})?)\s*(m?)A)?$/iu';
        if (preg_match($pattern, $text, $m, PREG_UNMATCHED_AS_NULL) !== 1) {
            return [null, null, 'is no rail: write +12 1.5A'];
        }
        $magnitude = (float) strtr((string) $m[2], ',', '.');
        if ($magnitude === 0.0 || $magnitude > self::MOST_V) {
            return [null, null, $magnitude === 0.0 ? 'a rail of 0 V is none' : 'above 60 V: for trained people, not a rail of this bench'];
        }
        $ac = in_array(strtolower((string) $m[3]), ['ac', '~'], true);
        $negative = in_array($m[1], ['-', '−'], true);
        if ($ac && $negative) {
            return [null, null, 'alternating volts have no sign'];
        }
        $plain = strtr((string) $m[2], ',', '.');
        $name = ($ac ? '' : ($negative ? '-' : '+')).$plain.($ac ? ' ac' : '').($m[4] === null ? '' : ' standby');
        $amps = $m[5] === null ? null : (float) strtr($m[5], ',', '.') / ($m[6] === null || $m[6] === '' ? 1 : 1000);
        if ($amps === 0.0) {
            return [null, null, 'an output of 0 A is none'];
        }

        return [
            [
                'name' => $name,
                'nominal_v' => $negative ? -$magnitude : $magnitude,
                ...($ac ? ['kind' => 'ac'] : []),
                ...($m[4] === null ? [] : ['standby' => true]),
            ],
            $amps, null,
        ];
    }
}
