<?php

declare(strict_types=1);

namespace Ash\Rails;

/** What is known of a point along a rail. */
enum PointState: string
{
    case Good = 'good';
    case Dead = 'dead';
    case Next = 'next';
    case Unknown = 'unknown';
}
