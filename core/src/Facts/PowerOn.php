<?php

declare(strict_types=1);

namespace Ash\Facts;

/** Whether the supply may be connected and powered as it was last measured. */
enum PowerOn: string
{
    case Ok = 'ok';
    case Hold = 'hold';
    case Stop = 'stop';
}
