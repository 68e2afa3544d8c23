<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;

/** One fault of the simulator. Invariant: the fields that its type uses are there and no others; the aggressor is another cell. */
final readonly class CellFault
{
    private const AGGRESSED = ['cfin', 'cfid', 'cfst', 'af_multi', 'af_shared'];
    private const TYPES = ['saf0', 'saf1', 'tf_up', 'tf_down', 'cfin', 'cfid', 'cfst', 'af_none', 'af_multi', 'af_shared'];

    /**
     * @param int|null        $when  of a coupling: 1 is up or the state 1, 0 is down or the state 0
     * @param int|string|null $value 0, 1, "and", "or"
     */
    public function __construct(
        public string $type,
        public int $cell,
        public ?int $aggressor = null,
        public ?int $when = null,
        public int|string|null $value = null,
    ) {
    }

    public static function read(Node $node, int $words): self
    {
        $type = $node->only('type', 'cell', 'aggressor', 'when', 'value')->at('type');
        in_array($type->string(), self::TYPES, true) || $type->refuse('must be one of '.implode(', ', self::TYPES));
        $type = $type->string();
        $uses = [
            'aggressor' => in_array($type, self::AGGRESSED, true),
            'when' => in_array($type, ['cfin', 'cfid', 'cfst'], true),
            'value' => in_array($type, ['cfid', 'cfst', 'af_none', 'af_multi'], true),
        ];
        foreach ($uses as $field => $used) {
            $used ? $node->at($field) : $node->optional($field)?->refuse("is not used by {$type}");
        }
        $cell = $node->at('cell')->integer(0, $words - 1);
        $aggressor = $uses['aggressor'] ? $node->at('aggressor')->integer(0, $words - 1) : null;
        if ($aggressor === $cell) {
            $node->at('aggressor')->refuse('must be another cell');
        }

        return new self(
            $type,
            $cell,
            $aggressor,
            $uses['when'] ? self::when($node->at('when'), $type) : null,
            $uses['value'] ? self::value($node->at('value'), $type) : null,
        );
    }

    private static function when(Node $node, string $type): int
    {
        $words = $type === 'cfst' ? [0 => 0, 1 => 1] : ['down' => 0, 'up' => 1];
        foreach ($words as $word => $value) {
            if ($node->raw() === $word) {
                return $value;
            }
        }
        $node->refuse($type === 'cfst' ? 'must be 0 or 1' : 'must be up or down');
    }

    private static function value(Node $node, string $type): int|string
    {
        foreach ($type === 'af_multi' ? ['and', 'or'] : [0, 1] as $value) {
            if ($node->raw() === $value) {
                return $value;
            }
        }
        $node->refuse($type === 'af_multi' ? 'must be "and" or "or"' : 'must be 0 or 1');
    }
}
