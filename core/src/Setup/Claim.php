<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Node;

/**
 * What an option takes of a resource: one place of it (an interrupt, an id), or a range that may repeat (a card that decodes ten address
 * bits answers again every 0x400; ISA practice).
 */
final readonly class Claim
{
    private const MOST = 1_099_511_627_776;

    /** Ranges repeat while they begin below it: the ports there are. */
    private const REPEATS_BELOW = 65_536;

    /** @param int|string|null $at null for a range */
    private function __construct(
        public string $resource,
        public int|string|null $at,
        public int $base = 0,
        public int $length = 0,
        private int $every = 0,
        private int $times = 1,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->only('resource', 'at', 'base', 'length', 'repeats_every')->exclusive('at', 'base');
        $resource = $node->at('resource')->name();
        if ($node->has('at') || !$node->has('base')) {
            foreach (['length', 'repeats_every'] as $field) {
                $node->has($field) && $node->at($field)->refuse('belongs to a range: give base');
            }

            return new self($resource, self::place($node->at('at')));
        }
        $base = $node->at('base')->integer(0, self::MOST);
        $length = $node->at('length')->integer(1, self::MOST);
        $every = $node->optional('repeats_every')?->integer(0, self::MOST);
        $every === null || $every >= $length || $node->at('repeats_every')->refuse("must be at least the length, {$length}");
        $times = $every === null || $base >= self::REPEATS_BELOW ? 1 : 1 + intdiv(self::REPEATS_BELOW - 1 - $base, $every);

        return new self($resource, null, $base, $length, $every ?? 0, $times);
    }

    public function repeats(): bool
    {
        return $this->times > 1;
    }

    /** A place by name or by number: 5 and "5" differ. */
    public static function place(Node $node): int|string
    {
        return is_string($node->raw()) ? $node->name() : $node->integer(0, self::MOST);
    }

    /** By which places are compared. */
    public static function key(string $resource, int|string $at): string
    {
        return "{$resource}\0".(is_int($at) ? 'number' : 'name')."\0{$at}";
    }

    /**
     * The lowest part that a range of one shares with a range of the other.
     *
     * @return array{int, int}|null base and length
     */
    public function overlap(self $other): ?array
    {
        if ($this->times > $other->times) {
            return $other->overlap($this);
        }
        for ($k = 0; $k < $this->times; ++$k) {
            $start = $this->base + $k * $this->every;
            $end = $start + $this->length;
            // The first range of the other that ends behind the start of this one.
            $n = $other->every === 0 ? 0 : max(0, intdiv($start - $other->base - $other->length, $other->every) - 1);
            while ($n < $other->times && $other->base + $n * $other->every + $other->length <= $start) {
                ++$n;
            }
            $from = $other->base + $n * $other->every;
            if ($n < $other->times && $from < $end) {
                $low = max($start, $from);

                return [$low, min($end, $from + $other->length) - $low];
            }
        }

        return null;
    }
}
