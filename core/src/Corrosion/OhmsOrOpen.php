<?php

declare(strict_types=1);

namespace Ash\Corrosion;

use Ash\Document\Node;
use Ash\Document\Rule;
use Ash\Quantity\Typed;
use Ash\Quantity\Unit;

/** Ohms, or "open" where the meter shows no value; that is infinity here. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class OhmsOrOpen implements Rule
{
    private const OPEN = 'open';

    public function read(Node $node): float
    {
        return $node->raw() === self::OPEN ? INF : (new Typed(Unit::Ohm))->read($node);
    }

    public function revive(mixed $stored): mixed
    {
        return $stored === self::OPEN ? INF : $stored;
    }

    public function write(mixed $value): mixed
    {
        return $value === INF ? self::OPEN : $value;
    }

    public function whole(mixed $value): mixed
    {
        return $this->write($value);
    }

    public function schema(): array
    {
        return [...(new Typed(Unit::Ohm))->schema(), 'description' => 'ohm, as it is typed, or "open"'];
    }
}
