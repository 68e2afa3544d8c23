<?php

declare(strict_types=1);

namespace Ash\Batteries;

use Ash\Cli\Verb;
use Ash\Document\Node;
use Ash\Facts\OpenThing;
use Ash\Facts\PowerOn;
use Ash\Logbook\EntryKind;
use Ash\Logbook\Findings;
use Ash\Logbook\Gate;
use Ash\Logbook\LeadingWord;
use Ash\Logbook\LineSaid;
use Ash\Logbook\LineTable;
use Ash\Logbook\OpenKind;
use Ash\Logbook\Room;
use Ash\Logbook\Running;
use Ash\Logbook\Section;
use Ash\Logbook\Situation;
use Ash\Logbook\Spoken;
use Ash\Logbook\Stage;
use Ash\Logbook\Step;
use Ash\Logbook\UnclearLine;
use Ash\Logbook\Urgency;

/** What batteries and clocks bring to the house. */
final readonly class BatteriesRoom extends Room
{
    /** An open item while a clock test runs. */
    public const CLOCK_TEST = 'clock';
    public const RECHECK = 'recheck';

    public function name(): string
    {
        return 'batteries';
    }

    public function kinds(): array
    {
        return [
            new EntryKind(BatteryNote::KIND, 'battery', BatteryNote::class, Spoken::Repeats, attack: 'batteries', stage: Stage::Battery),
            new EntryKind(CircuitSaid::KIND, 'clock circuit', CircuitSaid::class),
            new EntryKind(ClockSet::KIND, 'clock set', ClockSet::class, attack: 'batteries'),
            new EntryKind(ClockRead::KIND, 'clock read', ClockRead::class, attack: 'batteries'),
        ];
    }

    public function lines(): array
    {
        return [new LeadingWord(['battery', 'bat'], self::said(...), ['battery' => 'battery leaking', 'bat' => 'bat nicd 3 leaking'])];
    }

    public function openKinds(): array
    {
        return [new OpenKind(self::CLOCK_TEST, 'Running'), new OpenKind(self::RECHECK, 'Look again')];
    }

    public function section(): Section
    {
        return new BatterySection();
    }

    public function findings(Situation $at): Findings
    {
        $state = $at->facts->last(BatteryKnown::class)?->state;
        $leaking = $state === BatteryState::Leaking;

        return new Findings(
            known: $state === null ? [] : ["Battery: {$state->value}"],
            steps: !$leaking ? [] : [new Step(
                'Take the leaking cell off the board, then clean what it touched.',
                'gate 1: no power with a leaking cell on the board',
                'line',
                Urgency::Safety,
            )],
            gates: [match (true) {
                $leaking => $at->gate(Gate::LeakingCell, PowerOn::Stop, ['a leaking cell is on the board']),
                // Closed until somebody has looked.
                $state === null => $at->gate(Gate::LeakingCell, PowerOn::Hold, ['nobody has looked for a battery yet: write battery none, sound or removed']),
                default => $at->gate(Gate::LeakingCell, PowerOn::Ok, []),
            }],
            running: array_map(static fn (OpenThing $it): Running => new Running($it->text, $it->since, $it->due), $at->open(self::CLOCK_TEST)),
        );
    }

    /** Chemistry, cells, volts and state in any order; what else is said tells where it is. */
    private static function said(string $body, string $line): LineSaid
    {
        $table = new LineTable(
            behind: ['towards' => 'positive_towards'],
            flags: [
                ...array_combine(
                    array_map(static fn (BatteryState $it): string => $it->value, BatteryState::found()),
                    array_map(static fn (BatteryState $it): array => ['state', $it->value], BatteryState::found()),
                ),
                ...array_combine(
                    array_map(static fn (Chemistry $it): string => str_replace('_', '-', $it->value), Chemistry::cases()),
                    array_map(static fn (Chemistry $it): array => ['chemistry', $it->value], Chemistry::cases()),
                ),
            ],
            shapes: [
                ['/^-?\d+(?:[.,]\d+)?V$/i', 'volts', null],
                ['/^\d{1,3}$/', 'cells', static fn (string $it): int => (int) $it],
            ],
        );
        [$fields, $left] = $table->read($body);
        $where = mb_substr(trim(preg_replace('/\bcells?\b/iu', '', implode(' ', $left)) ?? ''), 0, 160);
        $fields += $where === '' ? [] : ['where' => $where];
        if (!isset($fields['state'])) {
            throw UnclearLine::write('battery leaking, battery sound, battery removed or battery none; bat nicd 3 leaking');
        }

        return new LineSaid(BatteryNote::KIND, $line, (object) $fields);
    }

    public function verbs(): array
    {
        return [
            'judge' => new Verb('what a pack\'s voltage says of it', self::JUDGE_FIELDS, '{"chemistry": "nicd", "cells": 3, "volts": 3.8}', self::judge(...)),
            'options' => new Verb('replacements for a board\'s battery, best first', self::OPTIONS_FIELDS, self::OPTIONS_EXAMPLE, self::options(...)),
            'hold' => new Verb(
                'how long a capacitor carries a standby current',
                self::HOLD_FIELDS,
                '{"capacitance_f": 1, "start_v": 5, "min_v": 2, "standby_a": 0.00001}',
                self::hold(...),
            ),
            'retention' => new Verb('how a clock kept its time', self::RETENTION_FIELDS, self::RETENTION_EXAMPLE, self::retention(...)),
        ];
    }

    /** @return array<string, mixed> */
    private static function judge(Node $node): array
    {
        $pack = Pack::read($node);

        return [
            'volts_per_cell' => $pack->voltsPerCell, 'nominal_v' => $pack->nominalV, 'state' => $pack->state->value,
            'shorted_cells' => $pack->shortedCells, 'reasons' => $pack->reasons,
        ];
    }

    /**
     * @param list<Option> $options
     *
     * @return list<Suitability> best first
     */
    public static function ranked(BoardNeeds $board, array $options): array
    {
        $judged = array_map(static fn (Option $option): Suitability => Suitability::of($option, $board), $options);
        usort($judged, static fn (Suitability $a, Suitability $b): int => $a->rank() <=> $b->rank());

        return $judged;
    }

    /** @param list<Suitability> $ranked */
    public static function recommended(array $ranked): ?Suitability
    {
        foreach ($ranked as $it) {
            if ($it->verdict !== Suits::No && !$it->leakOnBoard()) {
                return $it;
            }
        }

        return null;
    }

    /** Why it is the one: said in one sentence. */
    public static function because(Suitability $best): string
    {
        return "{$best->option->words()}: it puts no leaking chemistry on the board"
            .($best->needs === [] ? '' : ', and needs '.strtr(implode(', ', $best->needs), '_', ' '));
    }

    /** @return array<string, mixed> */
    private static function options(Node $node): array
    {
        $node->only('board', 'options');
        $board = BoardNeeds::read($node->at('board'));
        $given = $node->optional('options')?->items();
        Node::distinct($given ?? []);
        $ranked = self::ranked($board, $given === null ? Option::cases() : array_map(static fn (Node $id): Option => $id->enum(Option::class), $given));
        $best = self::recommended($ranked);

        return [
            'options' => array_map(static fn (Suitability $it): array => [
                'id' => $it->option->value,
                'volts_at_board_fresh' => $it->freshV,
                'volts_at_board_end' => $it->endV,
                'years' => $it->years,
                'hold_s' => $it->holdS,
                'charge_a' => $it->chargeA,
                'leak_on_board' => $it->leakOnBoard(),
                'needs' => $it->needs,
                'verdict' => $it->verdict->value,
                'reasons' => $it->reasons,
            ], $ranked),
            'recommendation' => $best === null ? null : ['id' => $best->option->value, 'text' => self::because($best)],
        ];
    }

    /** @return array<string, mixed> */
    private static function hold(Node $node): array
    {
        $seconds = Hold::read($node);

        return ['seconds' => $seconds, 'days' => $seconds / 86400];
    }

    /** @return array<string, mixed> */
    private static function retention(Node $node): array
    {
        $retention = Retention::read($node);

        return [
            'year_off' => $retention->yearOff,
            'drift_s' => $retention->driftS,
            'ppm' => $retention->ppm,
            'seconds_per_day' => $retention->secondsPerDay,
            'verdict' => $retention->verdict->value,
            'reasons' => $retention->reasons,
        ];
    }

    private const JUDGE_FIELDS = <<<'TEXT'
        chemistry    nicd|nimh|alkaline|limno2|lisocl2|lead_acid
        cells        1 or more
        volts        V, of the whole pack at rest
        gives        volts_per_cell, nominal_v (of the pack), state over|charged|serviceable|flat|dead,
                     shorted_cells (nickel packs that are flat or dead) or null, reasons[]
        TEXT;
    private const OPTIONS_FIELDS = <<<'TEXT'
        board        retention_min_v, retention_max_v (V); standby_a (A); charge? {supply_v (V), series_ohm (ohm)}; diode_drop_v? (0.3 V)
        options[]?   nicd-barrel-3, nimh-barrel-3, alkaline-aaa-2 to -4, alkaline-aa-2 to -4, lithium-coin-1, lithium-half-aa-1,
                     supercap-1f; all when absent
        gives        options[] volts_at_board_fresh, volts_at_board_end, years, hold_s, charge_a, leak_on_board, needs[],
                     verdict fits|fits_with_rework|no, reasons[]; best first; recommendation {id, text} or null
        TEXT;
    private const OPTIONS_EXAMPLE = '{"board": {"retention_min_v": 2.4, "retention_max_v": 5, "standby_a": 0.00001, "charge": {"supply_v": '
        .'5, "series_ohm": 470}}, "options": ["nicd-barrel-3", "lithium-coin-1", "alkaline-aa-3"]}';
    private const HOLD_FIELDS = <<<'TEXT'
        capacitance_f (F, above 0), start_v (V), min_v (V), standby_a (A, above 0), leakage_a? (0 A; added to standby_a)
        gives        seconds (0 when start_v is at or below min_v), days
        TEXT;
    private const RETENTION_FIELDS = <<<'TEXT'
        set_at, checked_at (later), clock_read   ISO 8601 with an offset or Z
        power_off_h  hours without power, at most the time between
        clock_resolution_s?   what the clock shows in, s (1)
        year_kept?   true|false (true; false: the clock cannot hold its year, and it is not judged)
        gives        year_off, drift_s (positive: fast), ppm, seconds_per_day, verdict kept|drifting|fast|slow|stopped|lost, reasons[]
        TEXT;
    private const RETENTION_EXAMPLE = '{"set_at": "2026-03-01T09:00:00Z", "checked_at": "2026-03-08T09:00:00Z", "clock_read": '
        .'"2026-03-08T08:59:57Z", "power_off_h": 160}';
}
