<?php

declare(strict_types=1);

namespace App\Report;

enum PaperState: string
{
    case Waiting = 'waiting';
    case Making = 'making';
    case There = 'there';
    case Failed = 'failed';
}
