<?php

declare(strict_types=1);

namespace Ash\Memory;

/** What an exchange of two chips has shown. */
enum SwapVerdict: string
{
    case Confirmed = 'confirmed';
    case Stayed = 'stayed';
    case Both = 'both';
    case Gone = 'gone';
}
