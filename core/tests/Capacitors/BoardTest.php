<?php

declare(strict_types=1);

namespace Ash\Tests\Capacitors;

use Ash\Capacitors\BoardCapacitor;
use Ash\Capacitors\CapacitorFound;
use Ash\Capacitors\DescribedCapacitors;
use Ash\Capacitors\Position;
use Ash\Capacitors\Rework;
use Ash\Capacitors\Siblings;
use Ash\Document\InvalidDocument;
use Ash\Document\Shape;
use Ash\Facts\CapacitorKind;
use Ash\Facts\Polarity;
use Ash\Tests\House;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Capacitors of a board: known and unknown ones, what their siblings suggest, and the record's entries about them. */
final class BoardTest extends TestCase
{
    /** @param array<string, mixed> $of */
    private static function cap(array $of): BoardCapacitor
    {
        return BoardCapacitor::of(Shape::of(CapacitorFound::class)->read(House::node($of)));
    }

    /** @return list<BoardCapacitor> */
    private static function board(): array
    {
        $big = ['kind' => 'aluminium', 'marked_f' => 0.0047, 'rated_v' => 25, 'rail' => '+12', 'row' => 'A', 'diameter_mm' => 18, 'height_mm' => 35];

        return array_map(self::cap(...), [
            ['ref' => 'C1'] + $big, ['ref' => 'C2'] + $big, ['ref' => 'C3', 'rail' => '+5', 'marked_f' => 0.01, 'diameter_mm' => 22] + $big,
            ['ref' => 'C4', 'kind' => 'film', 'marked_f' => 1e-7, 'rated_v' => 63], ['ref' => 'C5', 'rail' => '+12'],
        ]);
    }

    public function test_a_part_is_known_by_its_designator_or_its_place(): void
    {
        self::assertSame(
            ['C12', '47 µF 25 V, aluminium'],
            [
                self::cap(['ref' => 'C12', 'kind' => 'aluminium', 'marked_f' => '47u', 'rated_v' => '25 V'])->key,
                self::cap(['ref' => 'C12', 'kind' => 'aluminium', 'marked_f' => '47u', 'rated_v' => '25 V'])->words(),
            ],
        );
        $unknown = self::cap(['place' => 'beside K2', 'marking' => 'XZ 3', 'kind' => 'tantalum']);
        self::assertSame(['beside K2', null, 'not known, tantalum, marked "XZ 3"'], [$unknown->key, $unknown->part, $unknown->words()]);
        self::assertNull($unknown->wanted(12.0), 'a substitute is never chosen by a guess');
        self::assertSame(Position::Filter, self::cap(['ref' => 'C1', 'kind' => 'aluminium', 'marked_f' => 1e-3, 'rated_v' => 16])->wanted(-12.0)?->position);
        self::assertSame(
            Position::Mains,
            self::cap(['ref' => 'C1', 'kind' => 'mains_suppression', 'marked_f' => 1e-7, 'rated_v' => 250])->wanted(null)?->position,
        );
        self::assertSame(12.0, self::cap(['ref' => 'C1', 'kind' => 'aluminium', 'marked_f' => 1e-3, 'rated_v' => 16])->wanted(-12.0)->railV ?? null);
    }

    /** @return array<string, array{array<string, mixed>, string}> */
    public static function bad(): array
    {
        return [
            'neither designator nor place' => [['kind' => 'film'], ''],
            'a kind that is not known' => [['ref' => 'C1', 'kind' => 'glass'], '/kind'],
            'a value of nothing' => [['ref' => 'C1', 'marked_f' => 0], '/marked_f'],
            'a value in words' => [['ref' => 'C1', 'marked_f' => 'some'], '/marked_f'],
            'a negative size' => [['ref' => 'C1', 'height_mm' => -3], '/height_mm'],
            'a position that is none' => [['ref' => 'C1', 'position' => 'attic'], '/position'],
            'an unknown field' => [['ref' => 'C1', 'colour' => 'blue'], '/colour'],
            'a pin that is no entry' => [['ref' => 'C1', 'pin' => 'x'], '/pin'],
            'an empty designator' => [['ref' => ' '], '/ref'],
        ];
    }

    /** @param array<string, mixed> $of */
    #[DataProvider('bad')]
    public function test_bad_parts_are_refused_at_their_field(array $of, string $pointer): void
    {
        $this->refused($pointer, static fn () => self::cap($of));
    }

    public function test_siblings_are_ordered_by_what_they_share_and_their_value_is_called_a_guess(): void
    {
        $like = Siblings::of(self::cap(['place' => 'beside K2', 'rail' => '+12', 'row' => 'A', 'diameter_mm' => 18.4]), self::board());
        self::assertSame('C1 (4700 µF 25 V, aluminium; same rail +12 and size and row)', $like->keys[0]);
        self::assertSame('a guess from 2 like it: 4700 µF 25 V, aluminium', $like->guess);
        self::assertCount(3, $like->keys, 'C3 shares the row; C5 is not known itself, C4 shares nothing');
        $alone = Siblings::of(self::cap(['place' => 'far away']), self::board());
        self::assertSame([[], null], [$alone->keys, $alone->guess]);
        $differ = Siblings::of(self::cap(['place' => 'beside K2', 'row' => 'A']), self::board());
        self::assertStringEndsWith(', but they differ', (string) $differ->guess);
    }

    /** @return array<string, array{float, float, ?string}> marked, measured, question */
    public static function slips(): array
    {
        return [
            'a thousand too high' => [47e-9, 47.5e-6, '47.5 µF or 47.5 nF? It is marked 47 nF'],
            'a thousand too low' => [47e-6, 46e-9, '46 nF or 46 µF? It is marked 47 µF'],
            'a million' => [10e-12, 10e-6, '10 µF or 10 pF? It is marked 10 pF'],
            'good' => [47e-6, 45e-6, null],
            'dried out, and no slip' => [47e-6, 4e-6, null],
            'nothing left' => [47e-6, 0.0, null],
            'ten times' => [47e-6, 470e-6, null],
        ];
    }

    #[DataProvider('slips')]
    public function test_a_thousand_times_off_is_asked_back(float $marked, float $measured, ?string $question): void
    {
        self::assertSame($question, Siblings::slip($marked, $measured));
    }

    public function test_stripes_mark_minus_on_aluminium_and_plus_on_tantalum(): void
    {
        self::assertNull(Rework::backwards(CapacitorKind::Aluminium, Polarity::Minus));
        self::assertNull(Rework::backwards(CapacitorKind::Tantalum, Polarity::Plus));
        self::assertStringContainsString('backwards', (string) Rework::backwards(CapacitorKind::Aluminium, Polarity::Plus));
        self::assertStringContainsString('with fire', (string) Rework::backwards(CapacitorKind::Tantalum, Polarity::Minus));
        self::assertNull(Rework::backwards(CapacitorKind::Polymer, Polarity::Plus), 'polymer parts are made either way: the sheet decides');
        self::assertNull(Rework::backwards(CapacitorKind::Film, Polarity::Plus));
    }

    public function test_readings_are_kept_in_si_units_as_they_were_typed(): void
    {
        $read = House::kept(
            'cap_reading',
            [
                'cap' => 'C1',
                'in_circuit' => true,
                'capacitance_f' => '4n7',
                'esr_ohm' => '0,5',
                'frequency_hz' => '100k',
                'leakage_a' => '3u',
                'visual' => ['bulged'],
            ],
        );
        self::assertSame(
            [
                'cap' => 'C1',
                'in_circuit' => true,
                'visual' => ['bulged'],
                'capacitance_f' => 4.7e-9,
                'esr_ohm' => 0.5,
                'frequency_hz' => 100000.0,
                'leakage_a' => 3e-6,
            ],
            $read,
        );
        self::assertSame(
            'C1 in circuit: 4.7 nF, ESR 500 mΩ, leakage 3 µA, bulged (replace)',
            House::says('cap_reading', '', [...$read, 'verdict' => 'replace', 'proven' => true]),
        );
        self::assertSame(
            'C1 in circuit: 4.7 nF (keep, unproven)',
            House::says('cap_reading', '', ['cap' => 'C1', 'in_circuit' => true, 'capacitance_f' => 4.7e-9, 'verdict' => 'keep', 'proven' => false]),
        );
        foreach ([
            '/cap' => ['in_circuit' => true, 'capacitance_f' => 1],
            '/in_circuit' => ['cap' => 'C1', 'capacitance_f' => 1],
            '/visual/1' => ['cap' => 'C1', 'in_circuit' => true, 'visual' => ['burst', 'burst']],
            '/tan_delta' => ['cap' => 'C1', 'in_circuit' => true, 'tan_delta' => -1],
            '' => ['cap' => 'C1', 'in_circuit' => true],
        ] as $pointer => $wrong) {
            $this->refused($pointer, static fn () => House::kept('cap_reading', $wrong));
        }
    }

    public function test_zero_ohm_wants_the_leads_zeroed_first(): void
    {
        $this->refused('/esr_ohm', static fn () => House::kept('cap_reading', ['cap' => 'C1', 'in_circuit' => false, 'esr_ohm' => 0]));
        self::assertSame(0.0, House::kept('cap_reading', ['cap' => 'C1', 'in_circuit' => false, 'esr_ohm' => 0, 'lead_ohm' => 0.2])['esr_ohm']);
    }

    public function test_rework_and_found_parts_say_themselves(): void
    {
        self::assertSame(
            'C9: original fitted again, stripe at plus, confirmed against the board\'s mark',
            House::says('rework', '', House::kept('rework', ['cap' => 'C9', 'done' => 'refitted', 'polarity' => 'plus'])),
        );
        self::assertSame(
            'Capacitor beside K2: not known, on +12, asked of the crew',
            House::says('capacitor', '', House::kept('capacitor', ['place' => 'beside K2', 'rail' => '+12', 'asked' => 'the crew'])),
        );
        $this->refused('/polarity', static fn () => House::kept('rework', ['cap' => 'C9', 'done' => 'fitted', 'polarity' => 'up']));
        $this->refused('/done', static fn () => House::kept('rework', ['cap' => 'C9', 'done' => 'painted']));
    }

    public function test_a_policy_comes_with_its_kind_and_a_reason(): void
    {
        self::assertSame(
            ['reason' => 'two are bad', 'capacitors' => 'aluminium', 'policy' => 'replace_kind'],
            House::kept('decision', ['reason' => 'two are bad', 'capacitors' => 'aluminium', 'policy' => 'replace_kind']),
        );
        foreach ([
            '' => ['reason' => 'x', 'capacitors' => 'film'],
            '/policy' => ['reason' => 'x', 'capacitors' => 'film', 'policy' => 'all'],
            '/capacitors' => ['reason' => 'x', 'capacitors' => 'glass', 'policy' => 'replace_bad'],
            '/reason' => ['capacitors' => 'film', 'policy' => 'replace_bad'],
        ] as $pointer => $wrong) {
            $this->refused($pointer, static fn () => House::kept('decision', $wrong));
        }
    }

    public function test_a_profile_lists_its_capacitors_and_refuses_what_does_not_belong(): void
    {
        $profile = ['rails' => [['name' => '+5', 'nominal_v' => 5, 'test_points' => [['name' => 'a']]]]];
        $cap = ['ref' => 'C1', 'kind' => 'film', 'marked_f' => 1e-7, 'rated_v' => 63, 'rail' => '+5', 'board' => 'main'];
        $read = static fn (array ...$caps): array => House::profile([...$profile, 'capacitors' => $caps])->section(DescribedCapacitors::class)->all ?? [];
        self::assertSame('C1', $read($cap)[0]->key);
        foreach ([
            '/capacitors/0/rail' => [['rail' => '+7'] + $cap],
            '/capacitors/0/board' => [['board' => 'attic'] + $cap],
            '/capacitors/1/ref' => [$cap, $cap],
            '/capacitors/0/rated_v' => [array_diff_key($cap, ['rated_v' => 1])],
            '/capacitors/0/ref' => [array_diff_key($cap, ['ref' => 1])],
        ] as $pointer => $caps) {
            $this->refused($pointer, static fn () => $read(...$caps));
        }
    }

    private function refused(string $pointer, \Closure $try): void
    {
        try {
            $try();
            self::fail("was taken, wanted {$pointer}");
        } catch (InvalidDocument $fault) {
            self::assertSame($pointer, $fault->pointer, $fault->detail);
        }
    }
}
