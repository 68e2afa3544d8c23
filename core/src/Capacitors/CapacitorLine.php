<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Facts\CapacitorKind;
use Ash\Logbook\LineFacts;
use Ash\Logbook\LineRule;
use Ash\Logbook\LineSaid;
use Ash\Logbook\LineTable;
use Ash\Logbook\UnclearLine;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/**
 * A capacitor of the walk in one line: what it is, how it looks and what it reads ("C12 1000u 16V +12 bulged", "C12 reads 740u esr 0.9").
 * A marking is decoded as it is typed. Where nothing is said of the kind, one above 0.47 uF is taken for aluminium, and said to be guessed
 * (common practice, no source).
 */
final readonly class CapacitorLine implements LineRule
{
    private const EXAMPLE = 'C12 1000u 16V +12 bulged';
    private const DESIGNATOR = '/^(C[A-Z]{0,2}\d{1,4}[A-Z]?)$/i';
    private const GUESSED_ABOVE_F = 0.47e-6;
    private const KINDS = [
        'al' => CapacitorKind::Aluminium, 'bi' => CapacitorKind::Bipolar, 'ta' => CapacitorKind::Tantalum, 'po' => CapacitorKind::Polymer,
        'fi' => CapacitorKind::Film, 'ce' => CapacitorKind::Ceramic, 'mains' => CapacitorKind::MainsSuppression,
    ];

    public function read(string $line, LineFacts $facts): ?LineSaid
    {
        [$ref, $rest] = self::apart($line);
        if ($ref === null) {
            return null;
        }
        [$fields, $left] = self::table()->read($rest);
        if ($left !== []) {
            // "C12 was changed by the last owner" is plain words; "C12 1000u bulgd" is a slip of the finger.
            return $fields === [] || count($left) > 2 ? null : throw new UnclearLine(
                'does not understand "'.implode(' ', $left).'": write it as '.self::EXAMPLE,
            );
        }
        [$found, $looked] = self::sorted($fields);
        $read = $looked === [] ? null : new LineSaid(CapacitorRead::KIND, '', (object) ['cap' => $ref, 'in_circuit' => true, ...$looked]);

        return $found === [] ? $read : new LineSaid(CapacitorFound::KIND, '', (object) ['ref' => $ref, ...$found], also: $read);
    }

    public function examples(): array
    {
        return ['C12' => self::EXAMPLE];
    }

    public function completions(string $begun, LineFacts $facts): array
    {
        return match (true) {
            preg_match('/^C\w*$/i', $begun) === 1 => self::table()->goesOn($begun, $facts->names),
            self::apart($begun)[0] !== null => self::table()->goesOn($begun),
            default => [],
        };
    }

    /** What stands next in the order of the board: C13 after C12. */
    public static function next(string $ref): ?string
    {
        return preg_match('/^(C[A-Z]{0,2})(\d{1,4})$/i', $ref, $m) === 1 ? $m[1].((int) $m[2] + 1) : null;
    }

    /** A line that says of another designator what was found of this one. */
    public static function anew(string $ref, CapacitorFound $like): string
    {
        $kind = $like->kind === null || $like->kindGuessed === true ? null : array_search($like->kind, self::KINDS, true);

        return implode(' ', array_filter([
            $ref,
            $like->markedF === null ? null : str_replace([' ', 'µ', 'F'], ['', 'u', ''], Notation::print($like->markedF, Unit::Farad)),
            $like->ratedV === null ? null : Notation::plain($like->ratedV).'V',
            $kind === false ? null : $kind,
            $like->rail,
        ], static fn (?string $it): bool => $it !== null));
    }

    /** @return array{?string, string} the designator, and what is said of it */
    private static function apart(string $line): array
    {
        [$first, $rest] = [...preg_split('/\s+/u', trim($line), 2) ?: [], '', ''];

        return preg_match(self::DESIGNATOR, $first) === 1 && trim($rest) !== '' ? [strtoupper($first), trim($rest)] : [null, ''];
    }

    /**
     * @param array<string, mixed> $fields
     *
     * @return array{array<string, mixed>, array<string, mixed>} what it is, and what is seen and read on it
     */
    private static function sorted(array $fields): array
    {
        $looked = array_intersect_key($fields, ['visual' => 0, 'capacitance_f' => 0, 'esr_ohm' => 0, 'lead_ohm' => 0, 'frequency_hz' => 0, 'in_circuit' => 0]);
        $looked = $looked === [] || array_keys($looked) === ['in_circuit'] ? [] : $looked;
        $found = array_diff_key($fields, $looked, ['in_circuit' => 0]);
        $marking = $found['marking'] ?? null;
        if ($marking instanceof Marking) {
            $found = ['marked_f' => $marking->capacitanceF, ...($marking->ratedV === null ? [] : ['rated_v' => $marking->ratedV]), ...$found];
            $tolerance = $marking->tolerance;
            $found = [
                ...$found,
                ...($tolerance === null ? [] : ['tolerance_minus_pct' => $tolerance['minus_pct'], 'tolerance_plus_pct' => $tolerance['plus_pct']]),
            ];
            unset($found['marking']);
        }
        $farad = $found['marked_f'] ?? null;
        if (!isset($found['kind']) && is_float($farad) && $farad > self::GUESSED_ABOVE_F) {
            $found = [...$found, 'kind' => CapacitorKind::Aluminium->value, 'kind_guessed' => true];
        }

        return [$found, $looked];
    }

    private static function table(): LineTable
    {
        return new LineTable(
            after: ['reads' => 'capacitance_f', 'esr' => 'esr_ohm', 'leads' => 'lead_ohm', 'frequency' => 'frequency_hz'],
            behind: ['behind' => 'where', 'beside' => 'where', 'asked' => 'asked'],
            flags: [
                ...array_map(static fn (CapacitorKind $it): array => ['kind', $it->value], self::KINDS),
                ...array_combine(
                    array_map(static fn (Look $it): string => str_replace('_', '-', $it->value), Look::cases()),
                    array_map(static fn (Look $it): array => ['visual', $it->value], Look::cases()),
                ),
                'out-of-circuit' => ['in_circuit', false],
            ],
            shapes: [
                ['/^[+-]\d+(?:[.,]\d+)?$/', 'rail', null],
                ['/^\d+(?:[.,]\d+)?V(?:DC)?$/i', 'rated_v', static fn (string $it): string => preg_replace('/V(?:DC)?$/i', '', $it) ?? $it],
                ['/\d/', 'marking', static fn (string $it): ?Marking => Marking::decode($it, null)[0] ?? null],
            ],
            many: ['visual'],
        );
    }
}
