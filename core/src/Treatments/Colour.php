<?php

declare(strict_types=1);

namespace Ash\Treatments;

/**
 * A colour in CIELAB for the white D65. sRGB by IEC 61966-2-1; differences by CIEDE2000 (G. Sharma, W. Wu, E. N. Dalal, Color Research and
 * Application 30(1), 2005, kL = kC = kH = 1); yellowness by ASTM E313 for D65 and 2 degrees.
 */
final readonly class Colour
{
    private const WHITE = [0.95047, 1.0, 1.08883];
    private const DELTA = 6 / 29;
    private const MATRIX = [[0.4124564, 0.3575761, 0.1804375], [0.2126729, 0.7151522, 0.0721750], [0.0193339, 0.1191920, 0.9503041]];

    /** @param array{float, float, float} $xyz beside white's 0.95047, 1, 1.08883 */
    private function __construct(public float $l, public float $a, public float $b, private array $xyz)
    {
    }

    /** l 0 to 101, a and b -200 to 200 */
    public static function lab(float $l, float $a, float $b): self
    {
        $y = ($l + 16) / 116;
        $back = static fn (float $f, float $white): float => $white * ($f > self::DELTA ? $f ** 3 : 3 * self::DELTA ** 2 * ($f - 4 / 29));

        return new self($l, $a, $b, [$back($y + $a / 500, self::WHITE[0]), $back($y, self::WHITE[1]), $back($y - $b / 200, self::WHITE[2])]);
    }

    /** @param array{float, float, float} $linear red, green and blue in linear light, 0 to 1 */
    public static function linear(array $linear): self
    {
        $xyz = [];
        foreach (self::MATRIX as $row) {
            $xyz[] = $row[0] * $linear[0] + $row[1] * $linear[1] + $row[2] * $linear[2];
        }
        $f = array_map(static function (float $value, float $white): float {
            $t = $value / $white;

            return $t > self::DELTA ** 3 ? $t ** (1 / 3) : $t / (3 * self::DELTA ** 2) + 4 / 29;
        }, $xyz, self::WHITE);

        return new self(116 * $f[1] - 16, 500 * ($f[0] - $f[1]), 200 * ($f[1] - $f[2]), [$xyz[0], $xyz[1], $xyz[2]]);
    }

    /** A channel of sRGB, 0 to 255, in linear light, 0 to 1. */
    public static function toLinear(float $channel): float
    {
        $c = $channel / 255;

        return $c <= 0.04045 ? $c / 12.92 : (($c + 0.055) / 1.055) ** 2.4;
    }

    /** Null for black, which has none. */
    public function yellowness(): ?float
    {
        [$x, $y, $z] = $this->xyz;

        return $y === 0.0 ? null : 100 * (1.2985 * $x - 1.1335 * $z) / $y;
    }

    /** CIEDE2000. */
    public function difference(self $other): float
    {
        $mean7 = ((hypot($this->a, $this->b) + hypot($other->a, $other->b)) / 2) ** 7;
        $g = 0.5 * (1 - sqrt($mean7 / ($mean7 + 25 ** 7)));
        [$c1, $h1] = self::polar((1 + $g) * $this->a, $this->b);
        [$c2, $h2] = self::polar((1 + $g) * $other->a, $other->b);
        $dh = $h2 - $h1;
        $sum = $h1 + $h2;
        if ($c1 * $c2 === 0.0) {
            [$dh, $h] = [0.0, $sum];
        } elseif (abs($dh) <= 180) {
            $h = $sum / 2;
        } else {
            $h = ($sum + ($sum < 360 ? 360 : -360)) / 2;
            $dh += $dh > 180 ? -360 : 360;
        }
        $dl = $other->l - $this->l;
        $dc = $c2 - $c1;
        $dhh = 2 * sqrt($c1 * $c2) * sin(deg2rad($dh / 2));
        $l = ($this->l + $other->l) / 2;
        $c = ($c1 + $c2) / 2;
        $t = 1 - 0.17 * cos(deg2rad($h - 30)) + 0.24 * cos(deg2rad(2 * $h)) + 0.32 * cos(deg2rad(3 * $h + 6)) - 0.20 * cos(deg2rad(4 * $h - 63));
        $sl = 1 + 0.015 * ($l - 50) ** 2 / sqrt(20 + ($l - 50) ** 2);
        $sc = 1 + 0.045 * $c;
        $sh = 1 + 0.015 * $c * $t;
        $rt = -sin(deg2rad(2 * 30 * exp(-(($h - 275) / 25) ** 2))) * 2 * sqrt($c ** 7 / ($c ** 7 + 25 ** 7));

        return sqrt(max(0.0, ($dl / $sl) ** 2 + ($dc / $sc) ** 2 + ($dhh / $sh) ** 2 + $rt * ($dc / $sc) * ($dhh / $sh)));
    }

    /** @return array{float, float} chroma and hue, in degrees from 0 to below 360 */
    private static function polar(float $a, float $b): array
    {
        $hue = $a === 0.0 && $b === 0.0 ? 0.0 : rad2deg(atan2($b, $a));

        return [hypot($a, $b), $hue < 0 ? $hue + 360 : $hue];
    }

    /** @return array{l: float, a: float, b: float, yellowness: ?float} */
    public function card(): array
    {
        return ['l' => $this->l, 'a' => $this->a, 'b' => $this->b, 'yellowness' => $this->yellowness()];
    }
}
