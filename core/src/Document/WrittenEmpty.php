<?php

declare(strict_types=1);

namespace Ash\Document;

/** A list that may be left out when it is read, and is written also when nothing is in it. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class WrittenEmpty
{
}
