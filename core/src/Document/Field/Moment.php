<?php

declare(strict_types=1);

namespace Ash\Document\Field;

use Ash\Document\Node;
use Ash\Document\Rule;

/** An instant: ISO 8601 with an offset or Z, kept to the second. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Moment implements Rule
{
    private const FORM = 'Y-m-d\TH:i:sP';

    public function read(Node $node): \DateTimeImmutable
    {
        return $node->instant();
    }

    public function revive(mixed $stored): mixed
    {
        return is_string($stored) ? new \DateTimeImmutable($stored) : $stored;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof \DateTimeInterface ? $value->format(self::FORM) : $value;
    }

    public function whole(mixed $value): mixed
    {
        return $this->write($value);
    }

    public function schema(): array
    {
        return ['type' => 'string', 'format' => 'date-time'];
    }
}
