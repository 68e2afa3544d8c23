<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\Whole;

/** A row of a machine's table of fixed disks. */
final readonly class DriveType
{
    public function __construct(
        #[Whole(1, 65_535)] public int $type,
        #[Whole(1, 65_535)] public int $cylinders,
        #[Whole(1, 65_535)] public int $heads,
        #[Whole(1, 65_535)] public int $sectors,
    ) {
    }
}
