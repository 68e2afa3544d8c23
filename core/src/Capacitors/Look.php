<?php

declare(strict_types=1);

namespace Ash\Capacitors;

/** What the eye sees on a capacitor. */
enum Look: string
{
    case Bulged = 'bulged';
    case Vented = 'vented';
    case Leaking = 'leaking';
    case Burst = 'burst';
    case Cracked = 'cracked';
    case CorrodedLeads = 'corroded_leads';
    case Discoloured = 'discoloured';
    case Missing = 'missing';

    public function words(): string
    {
        return str_replace('_', ' ', $this->value);
    }

    /** The key that says it at the bench: its first letter, or another one of it where that is taken. */
    public function key(): string
    {
        return match ($this) {
            self::Bulged => 'b',
            self::Vented => 'v',
            self::Leaking => 'l',
            self::Burst => 'u',
            self::Cracked => 'c',
            self::CorrodedLeads => 'o',
            self::Discoloured => 'd',
            self::Missing => 'x',
        };
    }

    /** Condemns by itself; the others only make one watch. */
    public function condemns(): bool
    {
        return $this !== self::CorrodedLeads && $this !== self::Discoloured;
    }
}
