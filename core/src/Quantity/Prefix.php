<?php

declare(strict_types=1);

namespace Ash\Quantity;

/** SI prefixes in use on the bench (BIPM SI brochure, 9th edition, table 7), as powers of ten. */
final readonly class Prefix
{
    public const PRINTED = [
        12 => 'T', 9 => 'G', 6 => 'M', 3 => 'k', 0 => '', -3 => 'm', -6 => 'µ', -9 => 'n', -12 => 'p',
    ];

    /** What people type. "m" is milli and "M" is mega: the case decides. "K" is read as kilo, which is common practice. */
    public const TYPED = [
        'T' => 12, 'G' => 9, 'M' => 6, 'k' => 3, 'K' => 3, 'm' => -3,
        'u' => -6, "\u{00B5}" => -6, "\u{03BC}" => -6, 'n' => -9, 'p' => -12,
    ];
}
