<?php

declare(strict_types=1);

namespace Ash\Setup;

/** A search has come to its limit: what it has not settled is not known. */
final class SearchStopped extends \RuntimeException
{
}
