<?php

declare(strict_types=1);

namespace App\Memory;

use App\Http\ApiBody;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;

/** A march test and a memory to try it on. On a screen a small memory tells all; bin/ash takes up to 64 words. */
#[ApiBody]
final readonly class CoverageBody
{
    public function __construct(
        #[Text(2000)]
        public string $test,
        #[Whole(2, 16)]
        public int $words,
    ) {
    }
}
