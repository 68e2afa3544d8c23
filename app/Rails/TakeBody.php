<?php

declare(strict_types=1);

namespace App\Rails;

use App\Http\ApiBody;
use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Quantity\Typed;
use Ash\Quantity\Unit;
use Ash\Rails\Load;

/** The meter is asked for a reading. */
#[ApiBody]
final readonly class TakeBody
{
    /** @param string $id of the entry */
    public function __construct(
        #[Id]
        public string $id,
        public \DateTimeImmutable $at,
        #[Text(40)]
        public string $meter,
        #[Text(40)]
        public string $rail,
        #[Text(120)]
        public string $testPoint,
        public Load $load,
        public TakeWhat $what,
        #[Id]
        public ?string $corrects = null,
        public ?bool $sure = null,
        public ?bool $changed = null,
        #[Typed(Unit::Ohm)]
        public ?float $leadOhm = null,
    ) {
    }
}
