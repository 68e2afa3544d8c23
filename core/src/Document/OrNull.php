<?php

declare(strict_types=1);

namespace Ash\Document;

/** A field that may be given as null and then counts as left out. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class OrNull
{
    /** @param bool $emptyToo an empty text counts as left out too: a form sends its fields so */
    public function __construct(public bool $emptyToo = false)
    {
    }
}
