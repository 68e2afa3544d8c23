<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\ListOf;
use Ash\Document\Field\Positive;
use Ash\Document\Field\Whole;

/** What is said of a SCSI bus besides what hangs on it; its rules are those of Scsi::read(). */
final readonly class ScsiBus
{
    /** @param ?list<int> $bootsFrom ids in the order in which the host tries them */
    public function __construct(
        public ?bool $wide = null,
        public ?ScsiKind $kind = null,
        #[Positive] public ?float $lengthM = null,
        #[ListOf(new Whole(0, 15), most: 16)] public ?array $bootsFrom = null,
    ) {
    }
}
