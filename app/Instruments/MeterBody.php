<?php

declare(strict_types=1);

namespace App\Instruments;

use App\Http\ApiBody;
use Ash\Document\Field\Between;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Document\OrNull;

/** A meter on the bench's network. */
#[ApiBody]
final readonly class MeterBody
{
    /**
     * @param float   $readingPct  accuracy: % of reading
     * @param float   $counts      accuracy: counts
     * @param float   $resolutionV V a count
     * @param ?string $esrQuery    what it is asked for ESR; left out of a change, it stays
     * @param ?float  $lossHz      Hz of ESR and tan delta
     */
    public function __construct(
        #[Text(120)]
        public string $name,
        #[PrivateAddress]
        public string $host,
        #[Whole(1, 65_535)]
        public int $port,
        #[Between(0, 100)]
        public float $readingPct,
        #[Between(0, 1000)]
        public float $counts,
        #[Between(0, 100)]
        public float $resolutionV,
        #[OrNull(emptyToo: true)]
        #[ScpiQuery]
        public ?string $esrQuery = null,
        #[OrNull(emptyToo: true)]
        #[ScpiQuery]
        public ?string $tanDeltaQuery = null,
        #[OrNull(emptyToo: true)]
        #[Hertz]
        public ?float $lossHz = null,
        public ?bool $active = null,
    ) {
    }
}
