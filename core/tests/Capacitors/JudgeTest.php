<?php

declare(strict_types=1);

namespace Ash\Tests\Capacitors;

use Ash\Capacitors\CapacitorsRoom;
use Ash\Tests\Asks;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Verdicts on capacitors, their life, and the sum behind replacing all of them. */
final class JudgeTest extends TestCase
{
    use Asks;

    /**
     * @param array<string, mixed> $part
     * @param array<string, mixed> $measured
     * @param array<string, mixed> $more
     *
     * @return array{verdict: string, proven: bool, limits: array<string, ?float>, reasons: list<string>}
     */
    private static function judge(array $part = [], array $measured = [], array $more = []): array
    {
        /** @var array{verdict: string, proven: bool, limits: array<string, ?float>, reasons: list<string>} */
        return self::put(
            new CapacitorsRoom(),
            'judge',
            [
                'part' => ['kind' => 'aluminium', 'marked_f' => 100e-6, 'rated_v' => 25, ...$part],
                'in_circuit' => false,
                'visual' => [],
                ...($measured === [] ? [] : ['measured' => $measured]),
                ...$more,
            ],
        );
    }

    /** @return list<array{float, float, float}> rated volts, farad, limit of tan delta: typical catalogue limits at 120 Hz and 20 C, from memory */
    public static function tanDelta(): array
    {
        return [
            [4, 100e-6, 0.28], [6.3, 100e-6, 0.28], [10, 100e-6, 0.24], [16, 100e-6, 0.20], [20, 100e-6, 0.20], [25, 100e-6, 0.16],
            [35, 100e-6, 0.14], [50, 100e-6, 0.12], [63, 100e-6, 0.10], [80, 100e-6, 0.10],
            [100, 100e-6, 0.08], [125, 10e-6, 0.08], [160, 10e-6, 0.20], [250, 10e-6, 0.20], [315, 10e-6, 0.20], [350, 10e-6, 0.25], [450, 10e-6, 0.25],
            [16, 1000e-6, 0.20], [16, 1001e-6, 0.22], [16, 2000e-6, 0.22], [16, 2200e-6, 0.24], [16, 4700e-6, 0.28],
        ];
    }

    #[DataProvider('tanDelta')]
    public function test_limits_follow_the_catalogue_table_and_esr_follows_from_tan_delta(float $volts, float $farad, float $limit): void
    {
        $limits = self::judge(['rated_v' => $volts, 'marked_f' => $farad])['limits'];
        self::assertEqualsWithDelta($limit, $limits['tan_delta_max'], 1e-9);
        // The other way round: the phase of a series R and C at 120 Hz, from its impedance.
        $reactance = 1 / (2 * M_PI * 120 * $farad);
        self::assertEqualsWithDelta($limit, ($limits['esr_max_ohm'] ?? 0) / $reactance, 1e-9);
        self::assertEqualsWithDelta($volts <= 100 ? max(3e-6, 0.01 * $farad * $volts) : 0.04 * $farad * $volts + 100e-6, $limits['leakage_max_a'], 1e-12);
        self::assertSame($limits, self::judge(['kind' => 'bipolar', 'rated_v' => $volts, 'marked_f' => $farad])['limits']);
    }

    /** @return array<string, array{array<string, mixed>, array<string, mixed>, array<string, mixed>, string, bool}> part, measured, more, verdict, proven */
    public static function cases(): array
    {
        // 100 uF, 25 V: 80 to 150 uF, tan delta 0.16, ESR 2.122 ohm at 120 Hz, 0.849 ohm above 1 kHz, leakage 25 uA.
        $good = ['capacitance_f' => 101e-6, 'esr_ohm' => 0.3];

        return [
            'good out of circuit' => [[], $good, [], 'keep', true],
            'only capacitance' => [[], ['capacitance_f' => 101e-6], [], 'keep', false],
            'capacitance and tan delta at 120 Hz' => [[], ['capacitance_f' => 101e-6, 'tan_delta' => 0.1, 'frequency_hz' => 120], [], 'keep', true],
            'tan delta at 1 kHz is not judged' => [[], ['capacitance_f' => 101e-6, 'tan_delta' => 0.9, 'frequency_hz' => 1000], [], 'keep', false],
            'nothing measured' => [[], [], [], 'keep', false],
            'on the lower edge' => [[], ['capacitance_f' => 80e-6, 'esr_ohm' => 0.3], [], 'watch', true],
            'below it' => [[], ['capacitance_f' => 79.9e-6, 'esr_ohm' => 0.3], [], 'replace', true],
            'at nine tenths of it' => [[], ['capacitance_f' => 82e-6, 'esr_ohm' => 0.3], [], 'keep', true],
            'just beyond nine tenths' => [[], ['capacitance_f' => 81.9e-6, 'esr_ohm' => 0.3], [], 'watch', true],
            'nine tenths of the usual upper side' => [[], ['capacitance_f' => 145e-6, 'esr_ohm' => 0.3], [], 'keep', true],
            'beyond it' => [[], ['capacitance_f' => 146e-6, 'esr_ohm' => 0.3], [], 'watch', true],
            'above the usual tolerance condemns nothing' => [[], ['capacitance_f' => 199e-6, 'esr_ohm' => 0.3], [], 'watch', true],
            'twice what is marked nobody sold' => [[], ['capacitance_f' => 201e-6, 'esr_ohm' => 0.3], [], 'replace', true],
            'in circuit neighbours add' => [[], ['capacitance_f' => 300e-6], ['in_circuit' => true], 'watch', false],
            'above a tolerance that it carries' => [['tolerance_plus_pct' => 20], ['capacitance_f' => 121e-6, 'esr_ohm' => 0.3], [], 'replace', true],
            'which says nothing of the other side' => [['tolerance_plus_pct' => 20], ['capacitance_f' => 83e-6, 'esr_ohm' => 0.3], [], 'keep', true],
            'low in circuit condemns' => [[], ['capacitance_f' => 60e-6], ['in_circuit' => true], 'replace', true],
            'good in circuit proves nothing' => [[], $good, ['in_circuit' => true], 'keep', false],
            'ESR within half its limit at high frequency' => [[], ['esr_ohm' => 0.42, 'frequency_hz' => 100000], [], 'keep', false],
            'ESR above half of it' => [[], ['esr_ohm' => 0.43, 'frequency_hz' => 100000], [], 'watch', false],
            'ESR above it' => [[], ['esr_ohm' => 0.86, 'frequency_hz' => 1001], [], 'replace', true],
            'at 1 kHz the limit is still the one for 120 Hz' => [[], ['esr_ohm' => 1.0, 'frequency_hz' => 1000], [], 'keep', false],
            'from 150 Hz up half of it is watched' => [[], ['esr_ohm' => 1.1, 'frequency_hz' => 151], [], 'watch', false],
            'up to 150 Hz, below 100 too, all of it' => [[], ['esr_ohm' => 2.1, 'frequency_hz' => 50], [], 'keep', false],
            'a limit that it carries holds at any frequency' => [['esr_max_ohm' => 1], ['esr_ohm' => 0.9, 'frequency_hz' => 100000], [], 'watch', false],
            'of a small part leads and contacts are measured' => [['marked_f' => 0.01, 'rated_v' => 100], ['esr_ohm' => 0.04], [], 'keep', false],
            'and no more than that' => [['marked_f' => 0.01, 'rated_v' => 100], ['esr_ohm' => 0.081], [], 'replace', true],
            'a dried-out one of 1 uF' => [['marked_f' => 1e-6], ['esr_ohm' => 41], [], 'replace', true],
            'nought in circuit is doubtful' => [[], ['esr_ohm' => 0], ['in_circuit' => true], 'watch', false],
            'below 0.02 of the limit too' => [[], ['esr_ohm' => 0.0169], ['in_circuit' => true], 'watch', false],
            'just above is not' => [[], ['esr_ohm' => 0.0171], ['in_circuit' => true], 'keep', false],
            'lifted it is a reading like others' => [[], ['esr_ohm' => 0.01], [], 'keep', false],
            'nought of a tantalum whose limit nobody knows' => [['kind' => 'tantalum'], ['esr_ohm' => 0], ['in_circuit' => true], 'watch', false],
            'nought does not excuse' => [[], ['esr_ohm' => 0, 'capacitance_f' => 50e-6], ['in_circuit' => true], 'replace', true],
            'ESR of unknown frequency counts as high' => [[], ['esr_ohm' => 2.2], [], 'replace', true],
            'the same ESR at 120 Hz' => [[], ['esr_ohm' => 2.2, 'frequency_hz' => 120], [], 'watch', false],
            'ESR above twice its limit at 120 Hz' => [[], ['esr_ohm' => 4.3, 'frequency_hz' => 120], [], 'replace', true],
            'high ESR condemns in circuit' => [[], ['esr_ohm' => 4.3], ['in_circuit' => true], 'replace', true],
            'tan delta above its limit' => [[], ['tan_delta' => 0.2, 'frequency_hz' => 100], [], 'watch', false],
            'tan delta above twice its limit' => [[], ['tan_delta' => 0.33, 'frequency_hz' => 150], [], 'replace', true],
            'the same in circuit' => [[], ['tan_delta' => 0.33, 'frequency_hz' => 150], ['in_circuit' => true], 'watch', false],
            'leakage of an oxide that rested' => [[], ['leakage_a' => 26e-6], [], 'watch', false],
            'ten times its limit' => [[], ['leakage_a' => 250e-6], [], 'watch', false],
            'more than that' => [[], ['leakage_a' => 251e-6], [], 'replace', true],
            'leakage after reforming' => [[], ['leakage_a' => 26e-6, 'reformed' => true], [], 'replace', true],
            'a tantalum needs no reforming' => [['kind' => 'tantalum'], ['leakage_a' => 26e-6], [], 'replace', true],
            'a polymer may leak more' => [['kind' => 'polymer'], ['leakage_a' => 499e-6], [], 'keep', false],
            'film has gigaohms' => [['kind' => 'film'], ['leakage_a' => 1.1e-6], [], 'replace', true],
            'its own limit' => [['leakage_max_a' => 1e-6], ['leakage_a' => 2e-6, 'reformed' => true], [], 'replace', true],
            'leakage on the edge' => [[], ['leakage_a' => 25e-6], [], 'keep', false],
            'leakage in circuit' => [[], ['leakage_a' => 26e-6], ['in_circuit' => true], 'watch', false],
            'leakage above 100 V, 280 uA' => [['rated_v' => 450, 'marked_f' => 10e-6], ['leakage_a' => 281e-6, 'reformed' => true], [], 'replace', true],
            'bulged' => [[], $good, ['visual' => ['bulged']], 'replace', true],
            'discoloured' => [[], $good, ['visual' => ['discoloured']], 'watch', true],
            'missing' => [[], [], ['visual' => ['missing']], 'replace', true],
            'rated below its rail' => [[], $good, ['rail_v' => -30], 'replace', true],
            'a rail on its rating' => [[], $good, ['rail_v' => 25], 'keep', true],
            'tantalum above 80 %' => [['kind' => 'tantalum'], $good, ['rail_v' => 20.1], 'replace', true],
            'tantalum at 80 %' => [['kind' => 'tantalum'], $good, ['rail_v' => 20], 'watch', true],
            'tantalum at half' => [['kind' => 'tantalum'], $good, ['rail_v' => -12.5], 'keep', true],
            'tantalum without a limit of its own' => [['kind' => 'tantalum'], ['capacitance_f' => 100e-6, 'esr_ohm' => 99], [], 'keep', true],
            'tantalum with its own limit' => [['kind' => 'tantalum', 'esr_max_ohm' => 1], ['esr_ohm' => 1.1], [], 'replace', true],
            'polymer, tan delta gives its ESR limit' => [['kind' => 'polymer', 'tan_delta_max' => 0.12], ['esr_ohm' => 1.7], [], 'replace', true],
            'film of an unknown tolerance, twice 10 %' => [['kind' => 'film'], ['capacitance_f' => 79.9e-6], [], 'replace', true],
            'film between once and twice' => [['kind' => 'film'], ['capacitance_f' => 85e-6], [], 'watch', false],
            'film that carries 10 %' => [['kind' => 'film', 'tolerance_minus_pct' => 10], ['capacitance_f' => 89.9e-6], [], 'replace', true],
            'film, losses do not count' => [['kind' => 'film', 'esr_max_ohm' => 0.1], ['capacitance_f' => 100e-6, 'esr_ohm' => 5], [], 'keep', false],
            'film is proven by leakage' => [['kind' => 'film'], ['capacitance_f' => 100e-6, 'leakage_a' => 1e-7], [], 'keep', true],
            'mains suppression, losses do not count' => [['kind' => 'mains_suppression', 'tan_delta_max' => 0.01], [
                'capacitance_f' => 100e-6, 'tan_delta' => 0.5, 'frequency_hz' => 120,
            ], [], 'keep', false],
            'ceramic, half of it' => [['kind' => 'ceramic'], ['capacitance_f' => 50e-6, 'leakage_a' => 0], [], 'watch', true],
            'ceramic, below half' => [['kind' => 'ceramic'], ['capacitance_f' => 49e-6], [], 'replace', true],
            'bipolar as aluminium' => [['kind' => 'bipolar'], ['capacitance_f' => 79e-6], [], 'replace', true],
            'tantalum, 20 % either side' => [['kind' => 'tantalum'], ['capacitance_f' => 119e-6], [], 'watch', false],
            'metallised paper across the mains' => [
                ['kind' => 'mains_suppression', 'metallised_paper' => true],
                ['capacitance_f' => 100e-6, 'esr_ohm' => 1],
                [],
                'replace',
                true,
            ],
            'its own tolerance' => [['tolerance_minus_pct' => 10, 'tolerance_plus_pct' => 50], ['capacitance_f' => 144e-6, 'esr_ohm' => 0.3], [], 'keep', true],
        ];
    }

    /**
     * @param array<string, mixed> $part
     * @param array<string, mixed> $measured
     * @param array<string, mixed> $more
     */
    #[DataProvider('cases')]
    public function test_keep_watch_or_replace(array $part, array $measured, array $more, string $verdict, bool $proven): void
    {
        $it = self::judge($part, $measured, $more);
        self::assertSame([$verdict, $proven], [$it['verdict'], $it['proven']], implode('; ', $it['reasons']));
        self::assertTrue($verdict === 'keep' || $it['reasons'] !== []);
    }

    /** @return array<string, array{string, array<string, mixed>}> */
    public static function bad(): array
    {
        $part = ['kind' => 'film', 'marked_f' => 1e-6, 'rated_v' => 63];

        return [
            'a negative capacitance' => ['/part/marked_f', ['part' => ['marked_f' => -1] + $part, 'in_circuit' => false, 'visual' => []]],
            'a look that is not known' => ['/visual/0', ['part' => $part, 'in_circuit' => false, 'visual' => ['sad']]],
            'a look twice' => ['/visual/1', ['part' => $part, 'in_circuit' => false, 'visual' => ['burst', 'burst']]],
            'no word on the circuit' => ['/in_circuit', ['part' => $part, 'visual' => []]],
            'a kind that is not known' => ['/part/kind', ['part' => ['kind' => 'glass'] + $part, 'in_circuit' => false, 'visual' => []]],
            'a frequency of nothing' => [
                '/measured/frequency_hz',
                ['part' => $part, 'measured' => ['frequency_hz' => 0], 'in_circuit' => false, 'visual' => []],
            ],
            'a field that is not known' => ['/part/colour', ['part' => ['colour' => 'blue'] + $part, 'in_circuit' => false, 'visual' => []]],
        ];
    }

    /** @param array<string, mixed> $document */
    #[DataProvider('bad')]
    public function test_bad_input_is_refused_at_its_field(string $pointer, array $document): void
    {
        self::assertRefusedAt($pointer, new CapacitorsRoom(), 'judge', $document);
    }

    public function test_life_doubles_every_ten_degrees_as_the_makers_guides_say(): void
    {
        // 2000 h at 105 C give 32 000 h at 65 C (worked example of aluminium makers' guides, from memory).
        $ask = static fn (float $h, float $rated, float $actual): array => self::put(
            new CapacitorsRoom(),
            'life',
            ['rated_hours' => $h, 'rated_c' => $rated, 'actual_c' => $actual],
        );
        self::assertEquals(32000, $ask(2000, 105, 65)['hours']);
        self::assertEqualsWithDelta(3.6505, $ask(2000, 105, 65)['years'], 0.0001);
        self::assertEquals(16000, $ask(8000, 105, 95)['hours']);
        self::assertEquals(500, $ask(1000, 85, 95)['hours']);
        self::assertEquals(15, $ask(10000, 105, 45)['years_claimed']);
        self::assertGreaterThan(15, $ask(10000, 105, 45)['years']);
        self::assertRefusedAt('/rated_hours', new CapacitorsRoom(), 'life', ['rated_hours' => 0, 'rated_c' => 1, 'actual_c' => 1]);
    }

    public function test_the_beta_binomial_against_r(): void
    {
        // R 4.2.2: f <- function(n, k, m, a = .5, b = 4.5) c(1 - exp(lbeta(a+k, b+n-k+m) - lbeta(a+k, b+n-k)), m*(a+k)/(a+b+n))
        foreach (self::R as [$n, $k, $m, $a, $b, $any, $expected, $advice]) {
            $it = self::put(new CapacitorsRoom(), 'sample', ['tested' => $n, 'bad' => $k, 'untested' => $m, 'prior_a' => $a, 'prior_b' => $b]);
            self::assertEqualsWithDelta($any, $it['probability_any_bad'], 1e-10);
            self::assertEqualsWithDelta($expected, $it['expected_bad'], 1e-10);
            self::assertSame($advice, $it['advice']);
        }
        self::assertSame(0, self::put(new CapacitorsRoom(), 'sample', ['tested' => 3, 'bad' => 1, 'untested' => 0])['probability_any_bad']);
        self::assertRefusedAt('/bad', new CapacitorsRoom(), 'sample', ['tested' => 3, 'bad' => 4, 'untested' => 1]);
        self::assertRefusedAt('/prior_a', new CapacitorsRoom(), 'sample', ['tested' => 3, 'bad' => 1, 'untested' => 1, 'prior_a' => 0]);
    }

    private const R = [
        [6, 2, 8, 0.5, 4.5, 0.790398124215, 1.818181818182, 'replace_all'],
        [10, 1, 4, 0.5, 4.5, 0.318313419118, 0.4, 'test_rest'],
        [10, 0, 30, 0.5, 4.5, 0.4324805879, 1.0, 'test_rest'],
        [40, 3, 200, 3.5, 41.5, 0.999688056101, 15.294117647059, 'replace_all'],
    ];

    public function test_a_shops_history_replaces_the_default_prior_from_thirty_parts_on(): void
    {
        self::assertSame([0.5, 4.5], array_slice(\Ash\Capacitors\Sample::prior(29, 20), 0, 2));
        self::assertSame([3.5, 31.5], array_slice(\Ash\Capacitors\Sample::prior(30, 3), 0, 2));
        self::assertStringContainsString('3 of 30', \Ash\Capacitors\Sample::prior(30, 3)[2]);
    }
}
