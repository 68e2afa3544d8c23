<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** What else is to be known of a part. */
enum PartFlag: string
{
    case Moving = 'moving';
    case Electronics = 'electronics';
    case PaintToKeep = 'paint_to_keep';
    case LabelToKeep = 'label_to_keep';
    case MagneticMediaNear = 'magnetic_media_near';

    public function words(): string
    {
        return match ($this) {
            self::Moving => 'it moves',
            self::Electronics => 'with electronics',
            default => strtr($this->value, '_', ' '),
        };
    }
}
