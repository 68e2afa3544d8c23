<?php

declare(strict_types=1);

namespace Ash\Facts;

/** What a capacitor is made of, as far as the bench cares. */
enum CapacitorKind: string
{
    case Aluminium = 'aluminium';
    case Tantalum = 'tantalum';
    case Polymer = 'polymer';
    case Film = 'film';
    case Ceramic = 'ceramic';
    case MainsSuppression = 'mains_suppression';

    public function words(): string
    {
        return $this === self::MainsSuppression ? 'mains suppression' : $this->value;
    }

    /** Tolerance in percent where the part states none (IEC 60384-4 for aluminium; common practice for the others). */
    public function usualTolerancePct(): float
    {
        return $this === self::Film ? 10.0 : 20.0;
    }

    /** For film and ceramic only capacitance, looks and voltage count. */
    public function losesMatter(): bool
    {
        return $this !== self::Film && $this !== self::Ceramic;
    }

    /** Wired the wrong way round it is destroyed. */
    public function polarised(): bool
    {
        return in_array($this, [self::Aluminium, self::Tantalum, self::Polymer], true);
    }

    /** May a part of another kind stand for this one? The condition on it is judged elsewhere. */
    public function mayBe(self $other): bool
    {
        return $other === $this || in_array($other, match ($this) {
            self::Aluminium => [self::Polymer],
            self::Tantalum => [self::Polymer, self::Aluminium, self::Ceramic],
            self::Ceramic => [self::Film],
            default => [],
        }, true);
    }
}
