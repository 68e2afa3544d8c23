<?php

declare(strict_types=1);

namespace Ash\Corrosion;

enum Layer: string
{
    case Outer = 'outer';
    case Inner = 'inner';
}
