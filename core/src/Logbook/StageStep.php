<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** What the stage of a job asks for by itself. */
final readonly class StageStep
{
    public static function of(Stage $stage): Step
    {
        $text = match ($stage) {
            Stage::Intake => 'Strip down: list each item as it comes out.',
            Stage::StripDown => 'Find the battery: record its polarity, take it out.',
            Stage::Battery => 'Take the supply off the board and look at it.',
            Stage::Supply => 'Cold checks: shorts to ground, polarity, jumpers, seated chips.',
            Stage::ColdChecks => 'First power: the smallest set that can show life.',
            Stage::FirstPower => 'Find: one change at a time, baseline first.',
            Stage::Find => 'Name the cause with its evidence, then repair.',
            Stage::Repair => 'Repeat the test that failed.',
            Stage::Soak => 'Rebuild: the strip-down list in reverse.',
            Stage::Rebuild, Stage::Close => 'Close with an outcome.',
        };
        $room = $stage === Stage::Close || $stage === Stage::Rebuild ? 'close' : 'line';

        return new Step($text, "needed here: {$stage->needs()}", $room, Urgency::Usual);
    }
}
