<?php

declare(strict_types=1);

namespace App\Http;

use Symfony\Component\HttpKernel\Exception\HttpException;

/** A body beyond what its route takes. */
final class TooLarge extends HttpException
{
    public function __construct()
    {
        parent::__construct(413, 'is larger than anything that is taken here');
    }
}
