<?php

declare(strict_types=1);

namespace Ash\Logbook;

/**
 * Time spent against what was allowed. Two lost days on the wrong suspect are the trade's classic, so a line of
 * attack that has brought nothing new for a while is called out, and so is a job that has used its allowance.
 */
final readonly class Allowance
{
    /** Minutes on one line of attack without new evidence before it is called out (common practice, no source). */
    public const WITHOUT_EVIDENCE = 120;

    /**
     * @param int $minutes              on the job
     * @param int $allowed              for the job, in minutes
     * @param int $minutesSinceEvidence since the last reading, observation or replaced part
     */
    public function __construct(public int $minutes, public int $allowed, public int $minutesSinceEvidence)
    {
    }

    /**
     * @param list<string> $suspects likely causes, best first, in words
     *
     * @return list<string> nothing while all is well
     */
    public function notices(array $suspects): array
    {
        $notices = [];
        if ($this->minutesSinceEvidence >= min(self::WITHOUT_EVIDENCE, $this->allowed)) {
            $next = isset($suspects[1]) ? "Next suspect: {$suspects[1]}." : 'Measure something new, or ask.';
            $notices[] = "{$this->minutesSinceEvidence} minutes on this line of attack without new evidence. {$next} Or park it with a question.";
        }
        if ($this->minutes >= $this->allowed) {
            $notices[] = "The allowance is used: {$this->minutes} of {$this->allowed} minutes. Ask the owner, park it, or write down why it goes on.";
        }

        return $notices;
    }
}
