<?php

declare(strict_types=1);

namespace App\Instruments;

use App\Http\ApiBody;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;

/** A serial port on the network. */
#[ApiBody]
final readonly class SerialPortBody
{
    public function __construct(
        #[Text(120)]
        public string $name,
        #[PrivateAddress]
        public string $host,
        #[Whole(1, 65_535)]
        public int $port,
        public ?bool $active = null,
    ) {
    }
}
