<?php

declare(strict_types=1);

namespace Ash\Corrosion;

use Ash\Cli\Verb;
use Ash\Document\Node;
use Ash\Logbook\EntryKind;
use Ash\Logbook\LeadingWord;
use Ash\Logbook\LineSaid;
use Ash\Logbook\OpenKind;
use Ash\Logbook\Room;
use Ash\Logbook\Stage;
use Ash\Logbook\UnclearLine;

/** What leaks and continuity bring to the house. */
final readonly class CorrosionRoom extends Room
{
    private const PLACE = 'leak slot 3 bracket 4';
    public const REPAIR = 'repair';

    public function name(): string
    {
        return 'corrosion';
    }

    public function kinds(): array
    {
        return [
            new EntryKind(SurveyPlace::KIND, 'leak survey', SurveyPlace::class, attack: 'corrosion', stage: Stage::Battery),
            new EntryKind(ContinuityRead::KIND, 'continuity', ContinuityRead::class, attack: 'corrosion', stage: Stage::Battery),
        ];
    }

    public function lines(): array
    {
        return [new LeadingWord(['leak'], self::place(...), ['leak' => self::PLACE])];
    }

    /** "slot 3 bracket 4": the place, what sits there, the grade; how far in mm and what it carries may stand behind. */
    private static function place(string $body): LineSaid
    {
        $of = static fn (\BackedEnum ...$cases): string => implode(
            '|',
            array_map(static fn (\BackedEnum $it): string => str_replace('_', ' ', (string) $it->value), $cases),
        );
        $pattern = '/^(.+?)\s+('.$of(...Holds::cases()).')\s+([0-4])(?:[\s,]+(\d+(?:\.\d+)?)\s?mm)?(?:[\s,]+(?:carries\s+)?('
            .$of(...Carries::cases()).'))?$/iu';
        if (preg_match($pattern, $body, $m) !== 1) {
            throw UnclearLine::write(
                self::PLACE.' 20 mm signal (place, '.str_replace('|', ', ', $of(...Holds::cases())).', grade 0 to 4, distance, what it carries)',
            );
        }
        $holds = Holds::from(str_replace(' ', '_', mb_strtolower($m[2])));
        $carries = ($m[5] ?? '') !== '' ? mb_strtolower($m[5]) : ($holds === Holds::Bracket ? Carries::Nothing->value : null);
        $carries !== null || throw new UnclearLine('say at its end what it carries: '.str_replace('|', ', ', $of(...Carries::cases())));

        return new LineSaid(SurveyPlace::KIND, '', (object) [
            'place' => "{$m[1]} {$m[2]}", 'holds' => $holds->value, 'grade' => (int) $m[3], 'carries' => $carries,
            ...(($m[4] ?? '') === '' ? [] : ['distance_mm' => (float) $m[4]]),
        ]);
    }

    public function openKinds(): array
    {
        return [new OpenKind(self::REPAIR, 'To repair', urgent: true)];
    }

    public function verbs(): array
    {
        return [
            'continuity' => new Verb(
                'whether a trace that a leak touched is sound',
                self::CONTINUITY_FIELDS,
                '{"measured_ohm": 0.42, "lead_ohm": 0.15, "amps": 0.1, "trace": {"length_mm": 60, "width_mm": 0.5, "copper_oz": 1}}',
                self::continuity(...),
            ),
            'wire' => new Verb(
                'the wire that replaces an eaten trace',
                self::WIRE_FIELDS,
                '{"amps": 0.5, "length_mm": 80, "trace": {"width_mm": 1, "copper_oz": 1, "layer": "outer"}}',
                self::wire(...),
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function continuity(Node $node): array
    {
        $it = Continuity::read($node);

        return ['net_ohm' => $it->netOhm, 'expected_ohm' => $it->expectedOhm, 'verdict' => $it->verdict->value, 'reasons' => $it->reasons];
    }

    /** @return array<string, mixed> */
    private static function wire(Node $node): array
    {
        $it = Wire::read($node);

        return ['awg' => $it->awg, 'ohm' => $it->ohm, 'drop_v' => $it->dropV, 'trace_capacity_a' => $it->traceCapacityA, 'reasons' => $it->reasons];
    }

    private const CONTINUITY_FIELDS = <<<'TEXT'
        measured_ohm ohm, null when the meter shows open
        lead_ohm     ohm of the leads, probes together
        amps?        A that the trace carries; 0 is as absent
        trace?       length_mm, width_mm, copper_oz (ounces a square foot)
        gives        net_ohm, expected_ohm, verdict sound|thin|open, reasons[]
        TEXT;
    private const WIRE_FIELDS = <<<'TEXT'
        amps         A
        length_mm    mm
        max_drop_v?  V (0.05); max_rise_c? C (10)
        trace?       width_mm, copper_oz, layer outer|inner
        gives        awg, ohm, drop_v (null when no gauge from 30 to 18 does), trace_capacity_a (A) or null, reasons[]
        TEXT;
}
