<?php

declare(strict_types=1);

namespace Ash\Corrosion;

/** What a trace or contact that a leak has touched is worth. */
enum TraceVerdict: string
{
    case Sound = 'sound';
    case Thin = 'thin';
    case Open = 'open';
}
