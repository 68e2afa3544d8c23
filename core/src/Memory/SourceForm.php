<?php

declare(strict_types=1);

namespace Ash\Memory;

/** How the errors of a memory test came in. */
enum SourceForm: string
{
    case Text = 'text';
    case Csv = 'csv';
    case Capture = 'capture';
}
