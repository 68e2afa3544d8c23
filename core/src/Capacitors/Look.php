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

    /** Condemns by itself; the others only make one watch. */
    public function condemns(): bool
    {
        return $this !== self::CorrodedLeads && $this !== self::Discoloured;
    }
}
