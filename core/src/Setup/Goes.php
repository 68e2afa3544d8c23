<?php

declare(strict_types=1);

namespace Ash\Setup;

/** Whether a disk can be read or written. */
enum Goes: string
{
    case Yes = 'yes';
    case WithCare = 'with_care';
    case No = 'no';

    public function worse(self $other): self
    {
        $order = self::cases();

        return array_search($other, $order, true) > array_search($this, $order, true) ? $other : $this;
    }
}
