<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Logbook\Entries\JobClosed;

/** What an outcome needs before it may close a job. */
final readonly class CloseRule
{
    /**
     * @param list<string> $openHazards temporary fixes on the job's boards that nobody has undone
     * @param list<string> $notRebuilt  what the rebuild list still has open
     * @param list<string> $forbids     what else the rooms find in the way of handing it back
     *
     * @throws InvalidDocument with the pointer of the field that is in the way
     */
    public static function check(JobClosed $close, array $openHazards, array $notRebuilt = [], array $forbids = []): void
    {
        $outcome = $close->outcome;
        $handedBack = $close->handedBack;
        $limits = $close->limits;
        $waitingFor = $close->waitingFor;
        match (true) {
            $outcome === Outcome::FixedWithLimits && $limits === [] => throw InvalidDocument::at('/data/limits', 'fixed with limits: list each limit'),
            $outcome !== Outcome::FixedWithLimits && $limits !== [] => throw InvalidDocument::at(
                '/data/limits',
                "{$outcome->words()} takes no limits: choose fixed with limits",
            ),
            $outcome === Outcome::Parked && $waitingFor === null => throw InvalidDocument::at('/data/waiting_for', 'parked: say what it waits for'),
            $outcome === Outcome::Parked && $handedBack => throw InvalidDocument::at('/data/handed_back', 'a parked job is not handed back'),
            $handedBack && $openHazards !== [] => throw InvalidDocument::at(
                '/data/handed_back',
                'a temporary fix is still open: '.implode('; ', $openHazards).'. Undo it, or close without handing back',
            ),
            $handedBack && $notRebuilt !== [] => throw InvalidDocument::at(
                '/data/handed_back',
                'not rebuilt yet: '.implode('; ', $notRebuilt).'. Tick the rebuild list, or close without handing back',
            ),
            $handedBack && $forbids !== [] => throw InvalidDocument::at(
                '/data/handed_back',
                implode('; ', $forbids).'. Settle it, or close without handing back',
            ),
            default => null,
        };
    }
}
