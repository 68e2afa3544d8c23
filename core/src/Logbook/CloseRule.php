<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Logbook\Entries\JobClosed;

/** What an outcome needs before it may close a job. */
final readonly class CloseRule
{
    /**
     * "Fixed, handed back" is a claim, and is checked. What refuses it no limit covers; the rest may go back as limits. A board that goes back for
     * parts, or because it is not economic, claims nothing, but carries no temporary fix.
     *
     * @param list<string>   $openHazards temporary fixes on the job's boards that nobody has undone
     * @param list<Unproven> $unproven    what else stands between the board and the claim
     *
     * @throws InvalidDocument with the pointer of the field that is in the way
     */
    public static function check(JobClosed $close, array $openHazards, array $unproven = []): void
    {
        $outcome = $close->outcome;
        $handedBack = $close->handedBack;
        $limits = $close->limits;
        $texts = static fn (bool $refuses): array => array_values(array_map(
            static fn (Unproven $it): string => $it->text,
            array_filter($unproven, static fn (Unproven $it): bool => $it->refuses === $refuses),
        ));
        [$refusing, $open] = [$texts(true), $texts(false)];
        $unsaid = array_values(array_diff($open, $limits));
        match (true) {
            $outcome === Outcome::FixedWithLimits && $limits === [] && !($handedBack && $open !== []) => throw InvalidDocument::at(
                '/data/limits',
                'fixed with limits: list each limit',
            ),
            $outcome !== Outcome::FixedWithLimits && $limits !== [] => throw InvalidDocument::at(
                '/data/limits',
                "{$outcome->words()} takes no limits: choose fixed with limits",
            ),
            $outcome === Outcome::Parked && $close->waitingFor === null => throw InvalidDocument::at('/data/waiting_for', 'parked: say what it waits for'),
            $outcome === Outcome::Parked && $handedBack => throw InvalidDocument::at('/data/handed_back', 'a parked job is not handed back'),
            $handedBack && $openHazards !== [] => throw InvalidDocument::at(
                '/data/handed_back',
                'a temporary fix is still open: '.implode('; ', $openHazards).'. Undo it, or close without handing back',
            ),
            $handedBack && $refusing !== [] && in_array($outcome, [Outcome::Fixed, Outcome::FixedWithLimits], true) => throw InvalidDocument::at(
                '/data/handed_back',
                implode('; ', $refusing).'. Settle it, or close without handing back',
            ),
            $outcome === Outcome::Fixed && $handedBack && $open !== [] => throw InvalidDocument::at(
                '/data/outcome',
                'that it is fixed is not shown yet: '.implode('; ', $open).'. Settle it, or hand it back as fixed with limits, with these lines as its limits',
            ),
            $outcome === Outcome::FixedWithLimits && $handedBack && $unsaid !== [] => throw InvalidDocument::at(
                '/data/limits',
                'these belong to its limits: '.implode('; ', $unsaid),
            ),
            default => null,
        };
    }
}
