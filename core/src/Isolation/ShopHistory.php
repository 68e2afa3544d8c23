<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Statistics\Beta;

/**
 * What this shop's closed jobs with a symptom turned out to be. Those of the same kind of machine count first; while it has none, those of
 * all machines do. A job weighs 1 beside the library's weights, which add up to about 100 in each symptom.
 */
final readonly class ShopHistory
{
    /** The interval that is given with a share. */
    private const CONFIDENCE = 0.95;

    public int $total;

    /** @param array<string, int> $counts jobs by cause, behind a NUL */
    private function __construct(public array $counts, public bool $ofKind)
    {
        $this->total = array_sum($counts);
    }

    /**
     * @param array<string, int> $ofKind jobs by cause, behind a NUL, of the same kind of machine
     * @param array<string, int> $ofAll  of all machines
     */
    public static function of(array $ofKind, array $ofAll): self
    {
        return array_sum($ofKind) > 0 ? new self($ofKind, true) : new self($ofAll, false);
    }

    /** @param array<string, float> $weights of the library */
    public function share(array $weights): float
    {
        $counted = array_sum(array_intersect_key($this->counts, $weights));

        return $counted === 0 ? 0.0 : $counted / ($counted + array_sum($weights));
    }

    /**
     * What the history alone says of a cause: share, and its exact 95 % interval (Clopper and Pearson, Biometrika 26, 1934).
     *
     * @return ?array{int, float, float, float} jobs, share, low, high; null without a closed job
     */
    public function alone(string $cause): ?array
    {
        if ($this->total === 0) {
            return null;
        }
        $k = $this->counts[$cause] ?? 0;

        return [$k, $k / $this->total, ...self::share95($k, $this->total)];
    }

    /** @return array{float, float} the exact 95 % interval of a share */
    public static function share95(int $k, int $of): array
    {
        $tail = (1 - self::CONFIDENCE) / 2;

        return [$k === 0 ? 0.0 : Beta::quantile($tail, $k, $of - $k + 1), $k === $of ? 1.0 : Beta::quantile(1 - $tail, $k + 1, $of - $k)];
    }
}
