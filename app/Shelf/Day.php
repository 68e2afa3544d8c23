<?php

declare(strict_types=1);

namespace App\Shelf;

use Ash\Document\Node;
use Ash\Document\Plain;

/** A day such as 2026-03-01. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Day extends Plain
{
    private const FORM = 'Y-m-d';

    public function read(Node $node): string
    {
        $day = \DateTimeImmutable::createFromFormat('!'.self::FORM, $node->string());

        return $day !== false && $day->format(self::FORM) === $node->string() ? $node->string() : $node->refuse('must be a day such as 2026-03-01');
    }

    public function schema(): array
    {
        return ['type' => 'string', 'format' => 'date'];
    }
}
