<?php

declare(strict_types=1);

namespace Ash\Document;

/** A field that is not handed in: it was found out when the document was taken, and is stored with it. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Kept
{
}
