<?php

declare(strict_types=1);

namespace App\Instruments;

use OpenApi\Attributes as OA;

/** A serial port on the network. */
#[OA\Schema]
final readonly class SerialPortCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public string $host,
        #[OA\Property()]
        public int $port,
        #[OA\Property()]
        public bool $standin,
        #[OA\Property()]
        public bool $active,
    ) {
    }

    public static function of(SerialPort $port): self
    {
        $address = $port->address();

        return new self($port->id, $port->name, $address->host, $address->port, $port->standin, $port->active);
    }
}
