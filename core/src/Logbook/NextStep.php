<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Rails\Cause;
use Ash\Rails\PowerOn;
use Ash\Rails\Rail;

/** The next thing to do on a job, in words, and the room where it is done. */
final readonly class NextStep
{
    private function __construct(public string $text, public string $why, public ?string $room)
    {
    }

    public static function of(JobFacts $facts): self
    {
        return self::ended($facts) ?? self::start($facts) ?? self::waiting($facts) ?? self::rails($facts)
            ?? self::memory($facts) ?? self::hazards($facts) ?? self::byStage($facts->stage);
    }

    private static function ended(JobFacts $facts): ?self
    {
        return $facts->outcome === null ? null : new self('Nothing: '.lcfirst($facts->outcome->words()).'.', 'the job has its outcome', null);
    }

    private static function start(JobFacts $facts): ?self
    {
        return match (true) {
            $facts->symptom === null => new self('Write the symptom as it was told.', 'nothing can be proved cured that was never written down', 'line'),
            $facts->battery === BatteryState::Leaking => new self('Take the leaking cell off the board, then clean what it touched.', 'gate 1: no power with a leaking cell on the board', 'line'),
            default => null,
        };
    }

    private static function waiting(JobFacts $facts): ?self
    {
        $first = $facts->waiting[0] ?? null;
        if ($first === null) {
            return null;
        }
        $asked = $first['asked'] === null ? '' : ", asked of {$first['asked']}";
        foreach ($facts->waiting as $it) {
            if (($it['ready'] ?? null) !== null) {
                return new self("Take it up again: {$it['for']} has arrived.", $it['ready'], null);
            }
        }

        return new self("Waits for {$first['for']}{$asked}.", "since {$first['since']}", null);
    }

    private static function rails(JobFacts $facts): ?self
    {
        if (!$facts->hasRails) {
            return null;
        }
        if ($facts->rails === null) {
            return new self('Measure the rails under load, supply off the board.', 'gate 2: no rail has been judged on this job', 'rails');
        }
        if ($facts->changedSinceRun) {
            return new self('Repeat the rail run.', 'something was changed since the last reading: the same test that failed must pass', 'rails');
        }
        $open = self::unproven($facts);
        $cause = $facts->rails->causes[0] ?? null;

        return match (true) {
            $cause !== null && $cause->code !== 'bias_missing' => new self(self::byCause($cause), $cause->evidence[0], 'rails'),
            $open !== [] => new self('Measure '.implode(', ', $open).' under load.', count($open).' of '.count($facts->rails->standing->rails).' rails not proved', 'rails'),
            $facts->rails->powerOn !== PowerOn::Ok => new self('Hold the board: '.$facts->rails->powerOnReasons[0].'.', 'power-on advice of the last run', 'rails'),
            default => null,
        };
    }

    private static function memory(JobFacts $facts): ?self
    {
        return $facts->memoryNext === null ? null : new self($facts->memoryNext, (string) $facts->memoryWhy, 'memory');
    }

    private static function byCause(Cause $cause): string
    {
        $rails = implode(', ', $cause->rails);

        return match ($cause->code) {
            'reversed' => "Turn the plug or the part on {$rails} the right way round, then measure again.",
            'shorted_rail' => "Find the short on {$rails}: power off, walk along it in milliohms; the lowest capacitor is nearest.",
            'over_voltage' => "Keep the board off {$rails}: regulator and feedback first.",
            'all_absent' => 'Check mains lead, fuse, switch and standby circuit.',
            'all_scaled' => 'Check the reference, the feedback and the mains selector.',
            'low_with_ripple', 'ripple_high' => "Test the filter capacitor and the rectifier of {$rails}.",
            'sags_under_load' => "Find what gives way on {$rails}: regulator, pass transistor, joints, or a load that draws too much.",
            'open_path' => "Walk along {$rails} from the supply until the voltage is gone.",
            'drop_in_path' => "Find the contact that loses volts on {$rails}: connector, fuse holder, switch, thin trace.",
            default => "{$rails}: ".lcfirst($cause->text),
        };
    }

    /** @return list<string> rails that must be measured and have no reading that proves anything */
    private static function unproven(JobFacts $facts): array
    {
        $standing = $facts->rails?->standing;
        $rails = array_filter(
            $standing->rails ?? [],
            static fn (Rail $rail): bool => !$rail->optional && $standing !== null && !$standing->hasConclusive($rail),
        );

        return array_values(array_map(static fn (Rail $rail): string => $rail->name, $rails));
    }

    private static function hazards(JobFacts $facts): ?self
    {
        return $facts->hazards === [] || !in_array($facts->stage, [Stage::Rebuild, Stage::Close], true)
            ? null
            : new self("Undo: {$facts->hazards[0]}.", 'a board is not handed back with a temporary fix open', 'line');
    }

    private static function byStage(Stage $stage): self
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

        return new self($text, "needed here: {$stage->needs()}", $stage === Stage::Close || $stage === Stage::Rebuild ? 'close' : 'line');
    }
}
