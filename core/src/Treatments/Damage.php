<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** What is wrong with a part. */
enum Damage: string
{
    case Rust = 'rust';
    case CorrodedContact = 'corroded_contact';
    case Yellowing = 'yellowing';
    case Dirt = 'dirt';
    case GreaseOld = 'grease_old';
    case FoamRot = 'foam_rot';
    case BrokenPlastic = 'broken_plastic';

    public function words(): string
    {
        return match ($this) {
            self::GreaseOld => 'old grease',
            self::FoamRot => 'rotten foam',
            default => strtr($this->value, '_', ' '),
        };
    }
}
