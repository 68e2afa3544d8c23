<?php

declare(strict_types=1);

namespace Ash\Treatments;

enum MeansVerdict: string
{
    case Fits = 'fits';
    case WithCare = 'with_care';
    case No = 'no';

    public function words(): string
    {
        return strtr($this->value, '_', ' ');
    }

    public function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
