<?php

declare(strict_types=1);

namespace App\People;

/** What a person may do. Every route names one of the abilities below. */
enum Role: string
{
    case Lead = 'lead';
    case Technician = 'technician';
    case Viewer = 'viewer';

    public function may(Ability $ability): bool
    {
        return match ($ability) {
            Ability::Read => true,
            Ability::Record => $this !== self::Viewer,
            Ability::Lead => $this === self::Lead,
        };
    }
}
