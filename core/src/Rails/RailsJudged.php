<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Facts\Fact;

/** The last rail run of a job that has a reading, as it is judged now. */
final readonly class RailsJudged implements Fact
{
    /** @param \DateTimeInterface $last when its last reading was taken */
    public function __construct(public Judgement $judgement, public \DateTimeInterface $last)
    {
    }
}
