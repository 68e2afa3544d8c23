<?php

declare(strict_types=1);

namespace App\Corrosion;

use App\Http\ApiBody;
use Ash\Document\Field\ListOf;
use Ash\Document\Field\Positive;

/** Four taps on a photo, each as its place across and down from 0 to 1: the ends of a known length, then the two places. */
#[ApiBody]
final readonly class DistanceBody
{
    /**
     * @param list<Tap> $taps
     * @param float     $knownMm between the first two
     */
    public function __construct(
        #[ListOf(Tap::class)]
        public array $taps,
        #[Positive]
        public float $knownMm,
    ) {
    }
}
