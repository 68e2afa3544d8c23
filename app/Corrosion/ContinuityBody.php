<?php

declare(strict_types=1);

namespace App\Corrosion;

use App\Http\ApiBody;
use Ash\Document\Field\Id;
use Ash\Document\Field\NotNegative;
use Ash\Document\Field\Text;
use Ash\Document\OrNull;

/** The meter is asked for ohms. */
#[ApiBody]
final readonly class ContinuityBody
{
    /** @param ?string $place entry of the survey; null with the probes together */
    public function __construct(
        #[Id]
        public string $id,
        public \DateTimeImmutable $at,
        #[Text(40)]
        public string $meter,
        #[NotNegative]
        public float $leadOhm,
        #[OrNull]
        #[Id]
        public ?string $place = null,
    ) {
    }
}
