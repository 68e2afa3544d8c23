<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Facts\Answered;
use Ash\Facts\Fact;

/** The last rail run of a job that has a reading, as it is judged now. */
final readonly class RailsJudged implements Fact
{
    /** @param \DateTimeInterface $last when its last reading was taken */
    public function __construct(public Judgement $judgement, public \DateTimeInterface $last)
    {
    }

    /**
     * @return list<Answered> the causes as they are ranked; "good" when every rail that must be there was read and none is out; ripple that was read and is in
     */
    public function answers(): array
    {
        $standing = $this->judgement->standing;
        $read = [];
        $ripples = 0;
        foreach ($standing->rails as $name => $rail) {
            $read[$name] = $rail->optional ? null : $standing->last($rail);
            $ripples += count($standing->ripples($rail));
        }
        $all = $standing->all;
        $last = $all === [] ? null : $all[count($all) - 1];
        $under = $last?->reading->load->value;
        $answers = array_map(static fn (Cause $it): Answered => new Answered('rails', $it->code->value, lcfirst($it->text), $under), $this->judgement->causes);
        $needed = array_filter(array_keys($read), static fn (string $name): bool => !$standing->rails[$name]->optional);
        $good = $this->judgement->causes === [] && $needed !== []
            && array_filter($needed, static fn (string $name): bool => $read[$name]?->good() !== true || $read[$name]->reading->load->value !== $under) === [];
        if ($good) {
            $answers[] = new Answered('rails', 'good', 'every rail is in its limits', $under);
        }
        $rippled = array_filter(
            $this->judgement->causes,
            static fn (Cause $it): bool => in_array($it->code, [CauseCode::RippleHigh, CauseCode::LowWithRipple], true),
        );

        return $ripples > 0 && $rippled === [] ? [...$answers, new Answered('rails', 'ripple_in', 'ripple is in its limits', $under)] : $answers;
    }
}
