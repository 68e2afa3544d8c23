<?php

declare(strict_types=1);

namespace App\People;

use Ash\Document\Node;
use Ash\Document\Plain;

/** An e-mail address. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class EmailAddress extends Plain
{
    public function read(Node $node): string
    {
        return filter_var($node->text(190), FILTER_VALIDATE_EMAIL) === false ? $node->refuse('must be an e-mail address') : $node->text();
    }

    public function schema(): array
    {
        return ['type' => 'string', 'format' => 'email', 'maxLength' => 190];
    }
}
