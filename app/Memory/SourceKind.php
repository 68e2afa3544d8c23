<?php

declare(strict_types=1);

namespace App\Memory;

enum SourceKind: string
{
    case Text = 'text';
    case Csv = 'csv';
    case Capture = 'capture';
}
