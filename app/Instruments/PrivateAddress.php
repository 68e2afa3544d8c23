<?php

declare(strict_types=1);

namespace App\Instruments;

use Ash\Document\Node;
use Ash\Document\Plain;

/** Where something listens that the server may talk to (App\Instruments\Address). */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class PrivateAddress extends Plain
{
    public function read(Node $node): string
    {
        return Address::host($node);
    }

    public function schema(): array
    {
        return ['type' => 'string', 'description' => 'loopback or private IP address'];
    }
}
