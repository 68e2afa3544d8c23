<?php

declare(strict_types=1);

namespace Ash\Quantity;

use Ash\Document\Node;
use Ash\Document\Plain;

/** A quantity as a number in SI units, or as a person types it: "4,98", "4k7", "47 mV". Negative only where it is said to be signed. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Typed extends Plain
{
    /** A voltage beyond this is a slip of the finger: nothing on a bench for boards carries it. */
    private const MOST_VOLTS = 100_000.0;

    /** @param bool $aboveZero refuses zero too */
    public function __construct(private Unit $unit, private bool $signed = false, private bool $aboveZero = false)
    {
    }

    /** A number, or text in the unit. */
    public static function from(Node $node, Unit $unit): float
    {
        try {
            return is_string($node->raw()) ? Notation::read($node->string(), $unit) : $node->number();
        } catch (UnreadableQuantity $problem) {
            $node->refuse($problem->getMessage());
        }
    }

    public function read(Node $node): float
    {
        $value = self::from($node, $this->unit);
        if ($this->aboveZero && $value <= 0) {
            $node->refuse('must be above 0');
        }
        if (!$this->signed && $value < 0) {
            $node->refuse('must not be negative');
        }
        if ($this->unit === Unit::Volt && abs($value) > self::MOST_VOLTS) {
            $node->refuse('must be at most '.Notation::print(self::MOST_VOLTS, Unit::Volt).' either way');
        }

        return $value;
    }

    public function schema(): array
    {
        return [
            'type' => ['number', 'string'],
            ...($this->aboveZero ? ['exclusiveMinimum' => 0] : ($this->signed ? [] : ['minimum' => 0])),
            'description' => "{$this->unit->value}, or as it is typed: 4.98, 4,98, 47m, 4k7",
        ];
    }
}
