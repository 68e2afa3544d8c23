<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Field\Positive;
use Ash\Document\Field\Text;

/** What a rail of a good board has to ground, in ohms without the leads. */
final readonly class GoodOhm
{
    public function __construct(#[Text(40)] public string $rail, #[Positive] public float $ohm)
    {
    }
}
