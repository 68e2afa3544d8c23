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
        self::assertEqualsWithDelta($volts <= 100 ? max(3e-6, 0.01 * $farad * $volts) : null, $limits['leakage_max_a'], 1e-12);
    }

    /** @return array<string, array{array<string, mixed>, array<string, mixed>, array<string, mixed>, string, bool}> part, measured, more, verdict, proven */
    public static function cases(): array
    {
        // 100 uF, 25 V: 80 to 120 uF, tan delta 0.16, ESR 2.122 ohm at 120 Hz, leakage 25 uA.
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
            'above tolerance' => [[], ['capacitance_f' => 121e-6, 'esr_ohm' => 0.3], [], 'replace', true],
            'above tolerance in circuit' => [[], ['capacitance_f' => 180e-6], ['in_circuit' => true], 'watch', false],
            'low in circuit condemns' => [[], ['capacitance_f' => 60e-6], ['in_circuit' => true], 'replace', true],
            'good in circuit proves nothing' => [[], $good, ['in_circuit' => true], 'keep', false],
            'ESR above half its limit at high frequency' => [[], ['esr_ohm' => 1.1, 'frequency_hz' => 100000], [], 'watch', false],
            'ESR of unknown frequency counts as high' => [[], ['esr_ohm' => 2.2], [], 'replace', true],
            'the same ESR at 120 Hz' => [[], ['esr_ohm' => 2.2, 'frequency_hz' => 120], [], 'watch', false],
            'ESR above twice its limit at 120 Hz' => [[], ['esr_ohm' => 4.3, 'frequency_hz' => 120], [], 'replace', true],
            'high ESR condemns in circuit' => [[], ['esr_ohm' => 4.3], ['in_circuit' => true], 'replace', true],
            'tan delta above its limit' => [[], ['tan_delta' => 0.2, 'frequency_hz' => 100], [], 'watch', false],
            'tan delta above twice its limit' => [[], ['tan_delta' => 0.33, 'frequency_hz' => 150], [], 'replace', true],
            'the same in circuit' => [[], ['tan_delta' => 0.33, 'frequency_hz' => 150], ['in_circuit' => true], 'watch', false],
            'leakage' => [[], ['leakage_a' => 26e-6], [], 'replace', true],
            'leakage on the edge' => [[], ['leakage_a' => 25e-6], [], 'keep', false],
            'leakage in circuit' => [[], ['leakage_a' => 26e-6], ['in_circuit' => true], 'watch', false],
            'leakage above 100 V waits for reforming' => [['rated_v' => 450, 'marked_f' => 10e-6], ['leakage_a' => 1e-3], [], 'keep', false],
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
            'film, 10 %' => [['kind' => 'film'], ['capacitance_f' => 89.9e-6], [], 'replace', true],
            'film, losses do not count' => [['kind' => 'film', 'esr_max_ohm' => 0.1], ['capacitance_f' => 100e-6, 'esr_ohm' => 5], [], 'keep', true],
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
