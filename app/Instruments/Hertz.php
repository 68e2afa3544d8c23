<?php

declare(strict_types=1);

namespace App\Instruments;

use Ash\Document\Node;
use Ash\Document\Plain;

/** A frequency at which a meter measures. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Hertz extends Plain
{
    private const MOST = 1_000_000;

    public function read(Node $node): float
    {
        return $node->positive() <= self::MOST ? $node->positive() : $node->refuse('must be at most 1000000 Hz');
    }

    public function schema(): array
    {
        return ['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => self::MOST];
    }
}
