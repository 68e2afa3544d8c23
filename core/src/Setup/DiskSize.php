<?php

declare(strict_types=1);

namespace Ash\Setup;

/** Of a floppy disk, in inches. */
enum DiskSize: string
{
    case Three = '3.5';
    case Five = '5.25';
    case Eight = '8';
}
