<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Document\Node;
use Ash\Quantity\Compare;

/** A part before and after, and beside a reference patch, from one picture that may hold a grey card. */
final readonly class ColourCompared
{
    /** Up to 1 nobody sees a difference, up to 2 one must look for it: common practice, no source. */
    public const TOLERANCE = 2.0;

    private function __construct(
        public Colour $before,
        public ?Colour $after,
        public ?Colour $reference,
        private bool $balanced,
        private float $tolerance,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->only('before', 'after', 'reference', 'grey', 'tolerance');
        $grey = $node->optional('grey');
        $card = null;
        if ($grey !== null) {
            $grey->has('l') && $grey->at('l')->refuse('a grey card is given as r, g and b');
            $card = self::channels($grey);
            foreach (['r', 'g', 'b'] as $i => $channel) {
                $card[$i] > 0.0 || $grey->at($channel)->refuse('must be above 0');
            }
        }
        $of = static fn (?Node $it): ?Colour => $it === null ? null : self::colour($it, $card);

        return new self(
            self::colour($node->at('before'), $card),
            $of($node->optional('after')),
            $of($node->optional('reference')),
            $card !== null,
            $node->optional('tolerance')?->positive() ?? self::TOLERANCE,
        );
    }

    /** @param array{float, float, float}|null $grey in linear light */
    private static function colour(Node $node, ?array $grey): Colour
    {
        if ($node->has('l') || $node->has('a')) {
            $grey === null || $node->refuse('must be r, g and b, as a grey card is given');
            $node->only('l', 'a', 'b');

            return Colour::lab($node->at('l')->between(0, 101), $node->at('a')->between(-200, 200), $node->at('b')->between(-200, 200));
        }
        $linear = self::channels($node);
        if ($grey !== null) {
            $mean = array_sum($grey) / 3;
            $linear = [min(1.0, $linear[0] * $mean / $grey[0]), min(1.0, $linear[1] * $mean / $grey[1]), min(1.0, $linear[2] * $mean / $grey[2])];
        }

        return Colour::linear($linear);
    }

    /** @return array{float, float, float} in linear light */
    private static function channels(Node $node): array
    {
        $node->only('r', 'g', 'b');
        $of = static fn (string $name): float => Colour::toLinear($node->at($name)->between(0, 255));

        return [$of('r'), $of('g'), $of('b')];
    }

    public function deltaBefore(): ?float
    {
        return $this->reference?->difference($this->before);
    }

    public function deltaAfter(): ?float
    {
        return $this->after === null ? null : $this->reference?->difference($this->after);
    }

    public function change(): ?float
    {
        return $this->after === null ? null : $this->before->difference($this->after);
    }

    public function progress(): ?float
    {
        [$before, $after] = [$this->deltaBefore(), $this->deltaAfter()];

        return $before === null || $after === null ? null : self::gone($before, $after);
    }

    /** The share of a difference from the reference that is gone; null where nothing was to be gained. */
    public static function gone(float $before, float $after): ?float
    {
        return $before === 0.0 ? null : 1 - $after / $before;
    }

    public function match(): ?bool
    {
        $delta = $this->deltaAfter() ?? $this->deltaBefore();

        return $delta === null ? null : Compare::atMost($delta, $this->tolerance);
    }

    /** @return list<string> */
    public function reasons(): array
    {
        $figure = static fn (?float $it): string => number_format((float) $it, 1);
        $delta = $this->deltaAfter() ?? $this->deltaBefore();

        return [
            ...($delta === null ? ['without a reference patch nothing says how far it is to go'] : [
                "it differs from the reference by {$figure($delta)} (up to 1 nobody sees it, up to 2 one must look for it): "
                    .($this->match() === true ? 'it matches' : 'it does not match yet'),
            ]),
            ...($this->progress() === null ? [] : [$figure(100 * $this->progress()).' % of the way']),
            $this->balanced ? 'balanced on the grey card' : 'not balanced: put a grey card into the picture',
            'a camera is no colorimeter: only patches of one picture are compared with each other',
        ];
    }
}
