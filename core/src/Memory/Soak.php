<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Statistics\Beta;

/** What so many passes say of the failure rate: C. J. Clopper, E. S. Pearson, Biometrika 26 (1934), each bound one-sided. */
final readonly class Soak
{
    /** @param list<string> $reasons */
    private function __construct(
        public float $errorRate,
        public float $upperRate,
        public float $lowerRate,
        public ?int $passesNeeded,
        public ?int $passesLeft,
        public ?float $secondsLeft,
        public array $reasons,
    ) {
    }

    public static function read(Node $node): self
    {
        $it = Shape::of(SoakAsked::class)->read($node);

        return self::of($it->passes, $it->errors, $it->confidence, $it->targetRate, $it->secondsPerPass);
    }

    public static function of(int $passes, int $errors, float $confidence = 0.95, ?float $target = null, ?float $secondsPerPass = null): self
    {
        $upper = match (true) {
            $errors === $passes => 1.0,
            $errors === 0 => 1 - (1 - $confidence) ** (1 / $passes),
            default => Beta::quantile($confidence, $errors + 1, $passes - $errors),
        };
        $lower = match (true) {
            $errors === 0 => 0.0,
            $errors === $passes => (1 - $confidence) ** (1 / $passes),
            default => Beta::quantile(1 - $confidence, $errors, $passes - $errors + 1),
        };
        $passesNeeded = $target === null || $errors > 0 ? INF : ceil(log(1 - $confidence) / log1p(-$target) - 1e-9);
        $needed = $passesNeeded < Node::MOST ? (int) $passesNeeded : null;
        $left = $needed === null ? null : max(0, $needed - $passes);

        return new self(
            errorRate: $errors / $passes,
            upperRate: $upper,
            lowerRate: $lower,
            passesNeeded: $needed,
            passesLeft: $left,
            secondsLeft: $left === null || $secondsPerPass === null ? null : $left * $secondsPerPass,
            reasons: self::said($passes, $errors, $upper, $confidence, $left),
        );
    }

    /**
     * The bound as it fell and as it will fall when no further pass fails: for a curve.
     *
     * @return list<array{passes: int, upper: float, here: bool}> here: the pass at which the soak stands
     */
    public static function curve(int $passes, int $errors, float $confidence, ?float $target): array
    {
        $end = max(60, 2 * $passes, (int) (1.15 * (self::of(max(1, $passes), 0, $confidence, $target)->passesNeeded ?? 0)));
        $at = array_map(static fn (int $i): int => max(1, (int) round($end * $i / 60)), range(0, 60));
        $at = array_unique([...array_filter($at, static fn (int $n): bool => $n > $errors), max(1, $passes)]);
        sort($at);
        $points = array_map(
            static fn (int $n): array => ['passes' => $n, 'upper' => self::of($n, $errors, $confidence)->upperRate, 'here' => $n === $passes],
            $at,
        );

        return $points;
    }

    /**
     * What more clean passes would buy.
     *
     * @return list<array{more: int, upper: float, says: string}>
     */
    public static function gains(int $passes, int $errors, float $confidence, ?float $secondsPerPass): array
    {
        return array_map(static function (int $more) use ($passes, $errors, $confidence, $secondsPerPass): array {
            $upper = self::of($passes + $more, $errors, $confidence)->upperRate;

            return [
                'more' => $more,
                'upper' => $upper,
                'says' => "{$more} more clean passes".($secondsPerPass === null ? '' : ' ('.self::duration($more * $secondsPerPass).')')
                    .': at most '.Notation::plain($upper * 100, 3).' %',
            ];
        }, [10, 50, 100, 300]);
    }

    /** A time in the unit that a person would say. */
    public static function duration(float $seconds): string
    {
        return match (true) {
            $seconds < 1 => Notation::print($seconds, Unit::Second, 3),
            $seconds < 120 => Notation::plain($seconds, 3).' s',
            $seconds < 7200 => Notation::plain($seconds / 60, 3).' min',
            $seconds < 172_800 => Notation::plain($seconds / 3600, 3).' h',
            default => Notation::plain($seconds / 86_400, 3).' days',
        };
    }

    /** @return list<string> */
    private static function said(int $passes, int $errors, float $upper, float $confidence, ?int $left): array
    {
        $sure = Notation::plain($confidence * 100, 4).' %';
        $said = $errors === 0
            ? [
                "{$passes} clean ".($passes === 1 ? 'pass' : 'passes').': a fault that shows in more than 1 pass in '
                    .(int) floor(1 / $upper + 1e-9).' would very likely have shown ('.$sure.')',
            ]
            : ["{$errors} of {$passes} passes failed: up to ".Notation::plain($upper * 100, 3)." % of passes may fail ({$sure})"];

        return $left === null ? $said : [...$said, $left === 0 ? 'the wished bound is reached' : "{$left} more clean passes reach the wished bound"];
    }
}
