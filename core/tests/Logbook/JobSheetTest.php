<?php

declare(strict_types=1);

namespace Ash\Tests\Logbook;

use Ash\Batteries\BatteryKnown;
use Ash\Batteries\BatteryState;
use Ash\Document\InvalidDocument;
use Ash\Facts\Facts;
use Ash\Facts\OpenThing;
use Ash\Facts\PartsReplaced;
use Ash\Facts\PowerOn;
use Ash\Logbook\Allowance;
use Ash\Logbook\CloseRule;
use Ash\Logbook\Entries\JobClosed;
use Ash\Logbook\GateState;
use Ash\Logbook\JobSheet;
use Ash\Logbook\Leap;
use Ash\Logbook\Outcome;
use Ash\Logbook\Situation;
use Ash\Logbook\Stage;
use Ash\Logbook\Step;
use Ash\Logbook\Unproven;
use Ash\Rails\Judgement;
use Ash\Rails\MeterAccuracy;
use Ash\Rails\Rail;
use Ash\Rails\RailsJudged;
use Ash\Rails\Reading;
use Ash\Rooms;
use Ash\Tests\House;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Gates, the next step, the close rule and the allowance. The order of work: common practice, no source. */
final class JobSheetTest extends TestCase
{
    private const RAILS = [['name' => '+5', 'nominal_v' => 5], ['name' => '-5', 'nominal_v' => -5, 'protects' => ['+5'], 'needs_load' => false]];

    /** @param list<array{string, float, string}> $readings rail, volts, load */
    private static function judged(array $readings): Judgement
    {
        $rails = Rail::readAll(House::node(self::RAILS));

        return Judgement::of(
            $rails,
            MeterAccuracy::of(0, 0, 0),
            array_map(static fn (array $it): Reading => new Reading($it[0], $it[1], \Ash\Rails\Load::from($it[2])), $readings),
        );
    }

    /**
     * @param list<array{string, float, string}>|null $readings
     * @param array<string, Leap>                     $leaps
     * @param list<string>                            $hazards
     */
    private static function facts(
        ?array $readings = null, ?BatteryState $battery = null, array $leaps = [], ?string $symptom = 'dark', bool $changed = false, array $hazards = [],
        Stage $stage = Stage::Supply, ?Outcome $outcome = null, bool $waits = false, int $minutes = 0, int $sinceEvidence = 0,
    ): Situation {
        $day = new \DateTimeImmutable('2026-03-01T09:00:00Z');
        $facts = array_filter([
            $battery === null ? null : new BatteryKnown($battery),
            $readings === null ? null : new RailsJudged(self::judged($readings), $day),
            $changed ? new PartsReplaced(['C1 to 2u'], $day->modify('+1 hour')) : null,
            $waits ? new OpenThing('waiting', 'a 7812', $day, 'the stores') : null,
            ...array_map(static fn (string $it): OpenThing => new OpenThing('hazard', $it, $day), $hazards),
        ]);

        return new Situation(
            stage: $stage,
            profile: House::profile(['rails' => self::RAILS]),
            facts: new Facts(...$facts),
            allowance: new Allowance($minutes, 300, $sinceEvidence),
            symptom: $symptom,
            leaps: $leaps,
            outcome: $outcome,
        );
    }

    private static function sheet(Situation $at): JobSheet
    {
        return Rooms::hall()->sheet($at);
    }

    /** @return array<string, string> level of each gate, "passed" when a leap covers it */
    private static function gates(Situation $at): array
    {
        $gates = [];
        foreach (self::sheet($at)->gates as $gate) {
            $gates[$gate->gate->value] = $gate->level !== PowerOn::Ok && !$gate->closed() ? 'passed' : $gate->level->value;
        }

        return $gates;
    }

    public function test_the_three_gates(): void
    {
        self::assertSame(['leaking_cell' => 'hold', 'rails' => 'hold', 'bias' => 'stop'], self::gates(self::facts()), 'closed until somebody has looked');
        self::assertSame(
            ['leaking_cell' => 'stop', 'rails' => 'ok', 'bias' => 'ok'],
            self::gates(self::facts([['-5', -5, 'none'], ['+5', 5, 'working']], BatteryState::Leaking)),
        );
        self::assertSame(
            ['leaking_cell' => 'ok', 'rails' => 'stop', 'bias' => 'stop'],
            self::gates(self::facts([['+5', 5, 'working']], BatteryState::Removed)),
        );
        self::assertSame(
            ['leaking_cell' => 'ok', 'rails' => 'hold', 'bias' => 'ok'],
            self::gates(self::facts([['-5', -5, 'none'], ['+5', 4.6, 'working']], BatteryState::None)),
        );
    }

    public function test_a_recorded_leap_covers_its_level_and_nothing_worse(): void
    {
        $held = ['rails' => new Leap(PowerOn::Hold, 'to hear the fan')];
        self::assertSame('passed', self::gates(self::facts([['-5', -5, 'none'], ['+5', 4.6, 'working']], leaps: $held))['rails']);
        self::assertSame('stop', self::gates(self::facts([['-5', -5, 'none'], ['+5', 5.9, 'working']], leaps: $held))['rails']);
        $stopped = GateState::of(\Ash\Logbook\Gate::Rails, PowerOn::Hold, ['x'], new Leap(PowerOn::Stop, 'y'));
        self::assertFalse($stopped->closed());
        self::assertSame('y', $stopped->passedBecause);
    }

    /** @return iterable<string, array{Situation, string, ?string}> facts, a part of the words, room */
    public static function steps(): iterable
    {
        $good = [['-5', -5.0, 'none'], ['+5', 5.0, 'working']];
        yield 'no symptom' => [self::facts(symptom: null), 'Write the symptom', 'line'];
        yield 'a leaking cell comes before the rails' => [self::facts(battery: BatteryState::Leaking), 'leaking cell', 'line'];
        yield 'waiting hides nothing' => [self::facts(waits: true), 'Measure the rails under load', 'rails'];
        yield 'no rail measured' => [self::facts(), 'Measure the rails under load', 'rails'];
        yield 'something changed since' => [self::facts($good, changed: true), 'Repeat the rail run', 'rails'];
        yield 'a cause' => [self::facts([['-5', -5.0, 'none'], ['+5', 5.0, 'none'], ['+5', 4.6, 'working']]), 'Find what gives way on +5', 'rails'];
        yield 'not under load yet' => [self::facts([['-5', -5.0, 'none'], ['+5', 5.0, 'none']]), 'Measure +5 under load', 'rails'];
        yield 'weak without a cause' => [self::facts([['-5', -5.0, 'none'], ['+5', 4.6, 'working']]), 'Measure +5 without the board', 'rails'];
        yield 'a hazard before the end' => [self::facts($good, hazards: ['bridged switch'], stage: Stage::Rebuild), 'Undo: bridged switch', 'line'];
        yield 'by stage' => [self::facts($good), 'Cold checks', 'line'];
        yield 'ended' => [self::facts(symptom: null, outcome: Outcome::Fixed), 'Nothing: fixed', null];
    }

    #[DataProvider('steps')]
    public function test_the_next_step(Situation $facts, string $words, ?string $room): void
    {
        $next = self::sheet($facts)->next();
        self::assertStringContainsString($words, $next->text);
        self::assertSame($room, $next->room);
        self::assertNotSame('', $next->why);
    }

    public function test_what_waits_stands_beside_what_can_be_done(): void
    {
        $sheet = self::sheet(self::facts(waits: true));
        self::assertSame(['Waits for a 7812, asked of the stores.'], array_map(static fn (Step $it): string => $it->text, $sheet->waits));
        self::assertSame(['Measure the rails under load, supply off the board.', 'Cold checks: shorts to ground, polarity, jumpers, seated chips.'], array_map(
            static fn (Step $it): string => $it->text,
            $sheet->steps,
        ));
    }

    public function test_what_was_leapt_over_is_not_asked_again(): void
    {
        $leap = ['rails' => new Leap(PowerOn::Stop, 'measured on the bench supply')];
        self::assertStringContainsString('Cold checks', self::sheet(self::facts(leaps: $leap))->next()->text);
    }

    public function test_fixed_and_handed_back_is_a_claim(): void
    {
        $soft = new Unproven('the last memory test of main shows errors', 'memory');
        $hard = new Unproven('Gate 2: rails: +5 is a short', 'line', true);
        $at = static function (JobClosed $close, Unproven ...$unproven): ?string {
            try {
                CloseRule::check($close, [], $unproven);

                return null;
            } catch (InvalidDocument $fault) {
                return $fault->pointer;
            }
        };
        $limits = static fn (string ...$lines): JobClosed => new JobClosed(Outcome::FixedWithLimits, true, array_values($lines));
        self::assertSame('/data/outcome', $at(new JobClosed(Outcome::Fixed, true), $soft));
        self::assertNull($at(new JobClosed(Outcome::Fixed, false), $soft), 'what stays here claims nothing');
        self::assertSame('/data/limits', $at($limits('bit 7 weekly'), $soft), 'the line itself is a limit');
        self::assertNull($at($limits('bit 7 weekly', $soft->text), $soft));
        self::assertSame('/data/handed_back', $at($limits($hard->text), $hard), 'some things no limit covers');
        self::assertNull($at(new JobClosed(Outcome::NotEconomic, true), $soft));
        self::assertNull($at(new JobClosed(Outcome::ForParts, true), $hard), 'for parts it claims nothing');
    }

    public function test_time_without_evidence_and_a_used_allowance_are_called_out(): void
    {
        self::assertSame([], self::sheet(self::facts(minutes: 299, sinceEvidence: 119))->notices);
        self::assertStringContainsString('120 minutes', self::sheet(self::facts(minutes: 200, sinceEvidence: 120))->notices[0]);
        self::assertStringContainsString('300 of 300', self::sheet(self::facts(minutes: 300))->notices[0]);
        self::assertSame([], self::sheet(self::facts(minutes: 900, outcome: Outcome::Parked))->notices);
        self::assertStringContainsString('Next suspect: b', (new Allowance(130, 300, 130))->notices(['a', 'b'])[0]);
    }

    /**
     * Outcome, handed back, limits, waits for, hazards, pointer or null.
     *
     * @return array<string, array{Outcome, bool, list<string>, ?string, list<string>, ?string}>
     */
    public static function closings(): array
    {
        return [
            'fixed and handed back' => [Outcome::Fixed, true, [], null, [], null],
            'fixed with a hazard open' => [Outcome::Fixed, true, [], null, ['bridged switch'], '/data/handed_back'],
            'kept with a hazard open' => [Outcome::NotEconomic, false, [], null, ['bridged switch'], null],
            'with limits' => [Outcome::FixedWithLimits, true, ['not above 35 degrees'], null, [], null],
            'with limits, none listed' => [Outcome::FixedWithLimits, true, [], null, [], '/data/limits'],
            'fixed, and yet limits' => [Outcome::Fixed, true, ['x'], null, [], '/data/limits'],
            'parked' => [Outcome::Parked, false, [], 'a drawing', [], null],
            'parked without a question' => [Outcome::Parked, false, [], null, [], '/data/waiting_for'],
            'parked and handed back' => [Outcome::Parked, true, [], 'a drawing', [], '/data/handed_back'],
            'for parts' => [Outcome::ForParts, false, [], null, ['bypassed fuse'], null],
        ];
    }

    /**
     * @param list<string> $limits
     * @param list<string> $hazards
     */
    #[DataProvider('closings')]
    public function test_the_close_rule(Outcome $outcome, bool $back, array $limits, ?string $waits, array $hazards, ?string $pointer): void
    {
        try {
            CloseRule::check(new JobClosed($outcome, $back, $limits, $waits), $hazards);
            self::assertNull($pointer);
        } catch (InvalidDocument $fault) {
            self::assertSame($pointer, $fault->pointer);
        }
    }
}
