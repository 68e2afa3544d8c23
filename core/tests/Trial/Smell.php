<?php

declare(strict_types=1);

namespace Ash\Tests\Trial;

use Ash\Facts\Fact;

final readonly class Smell implements Fact
{
    public function __construct(public string $of, public int $strength)
    {
    }
}
