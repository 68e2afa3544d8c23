<?php

declare(strict_types=1);

namespace Ash\Corrosion;

use Ash\Document\Field\Positive;
use Ash\Document\Node;
use Ash\Document\Shape;

/** A copper trace by its size. Invariant: every dimension above 0. */
final readonly class Trace
{
    /** Ohm metre: copper of 100 % IACS at 20 C (IEC 60028). */
    public const RHO = 1.724e-8;

    /** Micrometre of copper an ounce: 34.8 is common practice; IPC-4562 says 34.3. */
    public const MICRONS_PER_OZ = 34.8;

    public function __construct(#[Positive] public float $lengthMm, #[Positive] public float $widthMm, #[Positive] public float $copperOz)
    {
    }

    public static function read(Node $node): self
    {
        return Shape::of(self::class)->read($node);
    }

    /** rho*length/(width*thickness) */
    public function ohms(): float
    {
        return self::RHO * $this->lengthMm * 1e-3 / ($this->widthMm * 1e-3 * $this->copperOz * self::MICRONS_PER_OZ * 1e-6);
    }

    /**
     * I = k*dT^0.44*A^0.725, A in square mil, k = 0.048 on an outer layer and 0.024 on an inner one (IPC-2221).
     *
     * @param float $riseC above 0
     *
     * @return float A
     */
    public static function capacity(float $widthMm, float $copperOz, bool $outer, float $riseC): float
    {
        $squareMil = $widthMm / 0.0254 * ($copperOz * self::MICRONS_PER_OZ / 25.4);

        return ($outer ? 0.048 : 0.024) * $riseC ** 0.44 * $squareMil ** 0.725;
    }
}
