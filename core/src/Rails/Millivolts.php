<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Node;
use Ash\Document\Plain;
use Ash\Quantity\Typed;
use Ash\Quantity\Unit;

/** Ripple is spoken of in millivolts: a bare "120" typed there is 120 mVpp, "0.12 V" is the same. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Millivolts extends Plain
{
    public function read(Node $node): float
    {
        if (!is_string($node->raw())) {
            return $node->notNegative();
        }
        $typed = trim(preg_replace('/pp$/i', '', $node->string()) ?? '');
        if (preg_match('/^[\d.,]+$/', $typed) === 1) {
            $typed .= 'm';
        }

        return (new Typed(Unit::Volt))->read(Node::of($typed, $node->pointer)) * 1000;
    }

    public function schema(): array
    {
        return ['type' => ['number', 'string'], 'minimum' => 0, 'description' => 'mV peak to peak, or as it is typed'];
    }
}
