<?php

declare(strict_types=1);

namespace Ash\Facts;

/** What a capacitor is made of, as far as the bench cares. */
enum CapacitorKind: string
{
    case Aluminium = 'aluminium';
    case Bipolar = 'bipolar';
    case Tantalum = 'tantalum';
    case Polymer = 'polymer';
    case Film = 'film';
    case Ceramic = 'ceramic';
    case MainsSuppression = 'mains_suppression';

    public function words(): string
    {
        return $this === self::MainsSuppression ? 'mains suppression' : $this->value;
    }

    /** @return array{float, float} tolerance in percent, minus and plus, where the part states none (common practice, no source) */
    public function usualTolerancePct(): array
    {
        return match ($this) {
            self::Aluminium, self::Bipolar => [20.0, 50.0],
            self::Ceramic => [50.0, 80.0],
            self::Film => [10.0, 10.0],
            default => [20.0, 20.0],
        };
    }

    /** With an oxide in liquid: aluminium and bipolar share every limit of the catalogues. */
    public function wet(): bool
    {
        return $this === self::Aluminium || $this === self::Bipolar;
    }

    /** For film, ceramic and mains suppression only capacitance, leakage, looks and voltage count, never ESR or tan delta. */
    public function losesMatter(): bool
    {
        return !in_array($this, [self::Film, self::Ceramic, self::MainsSuppression], true);
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
            self::Bipolar => [self::Film],
            self::Tantalum => [self::Polymer, self::Aluminium, self::Ceramic],
            self::Ceramic => [self::Film],
            default => [],
        }, true);
    }
}
