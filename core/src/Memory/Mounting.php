<?php

declare(strict_types=1);

namespace Ash\Memory;

/** Whether a memory's chips sit in sockets. Sockets decide the hands' work. */
enum Mounting: string
{
    case Socketed = 'socketed';
    case Soldered = 'soldered';
}
