<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;
use Ash\Document\Plain;

/** A size in KiB, above 0 and at most 2^30. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Kib extends Plain
{
    private const MOST = 1 << 30;

    public function read(Node $node): float
    {
        return $node->positive() <= self::MOST ? $node->positive() : $node->refuse('must be at most 2^30');
    }

    public function schema(): array
    {
        return ['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => self::MOST];
    }
}
