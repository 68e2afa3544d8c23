<?php

declare(strict_types=1);

namespace App\Instruments;

use Ash\Document\Node;
use Ash\Document\Plain;

/** One query and nothing else, so that what a lead writes cannot set the meter. IEEE 488.2, 7.6: program headers and data. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class ScpiQuery extends Plain
{
    private const ONE = '/^:?[A-Za-z][A-Za-z0-9]*(:[A-Za-z][A-Za-z0-9]*)*\?( [A-Za-z0-9.+-]+(,[A-Za-z0-9.+-]+)*)?$/D';

    public function read(Node $node): string
    {
        return preg_match(self::ONE, $node->text(60)) === 1
            ? $node->text(60)
            : $node->refuse('must be one query such as MEAS:CAP:ESR?, as the meter\'s manual gives it');
    }

    public function schema(): array
    {
        return ['type' => 'string', 'maxLength' => 60];
    }
}
