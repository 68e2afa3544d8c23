<?php

declare(strict_types=1);

namespace App\Memory;

use App\Http\ApiBody;
use Ash\Document\Field\Positive;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;

/** How long a march test takes. */
#[ApiBody]
final readonly class TestTimeBody
{
    /** @param float $cycleS s for each access */
    public function __construct(
        #[Text(2000)]
        public string $test,
        #[Whole(1, 1_099_511_627_776)]
        public int $words,
        #[Positive]
        public float $cycleS,
    ) {
    }
}
