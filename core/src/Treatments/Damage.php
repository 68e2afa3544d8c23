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
}
