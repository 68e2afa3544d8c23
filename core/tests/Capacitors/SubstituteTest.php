<?php

declare(strict_types=1);

namespace Ash\Tests\Capacitors;

use Ash\Capacitors\CapacitorsRoom;
use Ash\Capacitors\SafetyClass;
use Ash\Tests\Asks;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Which part of the shelf may stand for another. Derating and kinds: common practice, no source; classes after IEC 60384-14. */
final class SubstituteTest extends TestCase
{
    use Asks;

    private const PART = [
        'kind' => 'aluminium',
        'marked_f' => 1000e-6,
        'rated_v' => 16,
        'position' => 'filter',
        'diameter_mm' => 12.5,
        'height_mm' => 20,
        'pitch_mm' => 5,
        'temperature_c' => 85,
    ];
    private const STOCK = [
        'sku' => 'a',
        'kind' => 'aluminium',
        'marked_f' => 1000e-6,
        'rated_v' => 25,
        'hours' => 5000,
        'temperature_c' => 105,
        'diameter_mm' => 12.5,
        'height_mm' => 20,
        'pitch_mm' => 5,
        'quantity' => 4,
    ];

    /**
     * @param array<string, mixed>       $part
     * @param list<array<string, mixed>> $stock
     * @param array<string, mixed>       $more
     *
     * @return list<array{sku: string, score: float|int, verdict: string, reasons: list<string>}>
     */
    private static function ask(array $part, array $stock, array $more = []): array
    {
        /** @var array{choices: list<array{sku: string, score: float|int, verdict: string, reasons: list<string>}>} $answer */
        $answer = self::put(new CapacitorsRoom(), 'substitute', ['part' => $part, 'stock' => $stock, ...$more]);

        return $answer['choices'];
    }

    /**
     * Part, stock, more, verdict, a word of the reasons.
     *
     * @return array<string, array{array<string, mixed>, array<string, mixed>, array<string, mixed>, string, string}>
     */
    public static function cases(): array
    {
        $mains = ['kind' => 'mains_suppression', 'marked_f' => 100e-9, 'rated_v' => 250, 'position' => 'mains', 'safety_class' => 'X2'];
        $x = ['kind' => 'mains_suppression', 'marked_f' => 100e-9, 'rated_v' => 275, 'quantity' => 1, 'sku' => 'x'];

        return [
            'the same' => [[], [], ['rail_v' => 12, 'clearance_mm' => 25], 'fits', 'the same value'],
            'half as much again' => [[], ['marked_f' => 1500e-6], [], 'fits', '1500 µF for 1000 µF'],
            'more than that' => [[], ['marked_f' => 1510e-6], [], 'no', 'outside'],
            'less in a filter' => [[], ['marked_f' => 999e-6], [], 'no', 'outside'],
            'within tolerance in coupling' => [['position' => 'coupling'], ['marked_f' => 820e-6], ['rail_v' => 5], 'fits', '820 µF'],
            'a usual tolerance asks for no more than 20 %' => [['position' => 'timing'], ['marked_f' => 1200e-6], [], 'fits', '1200 µF'],
            'and not for 50 %' => [['position' => 'timing'], ['marked_f' => 1210e-6], [], 'no', 'outside'],
            'its own may ask for less' => [['position' => 'timing', 'tolerance_plus_pct' => 10], ['marked_f' => 1200e-6], [], 'no', 'outside'],
            'or more' => [['position' => 'timing', 'tolerance_plus_pct' => 50], ['marked_f' => 1500e-6], [], 'fits', '1500 µF'],
            'polarised where the bias is not known' => [['position' => 'coupling'], [], [], 'fits_with_care', 'bias is not known'],
            'polarised without bias' => [['position' => 'coupling'], [], ['rail_v' => 0], 'no', 'without bias'],
            'bipolar for aluminium in coupling' => [['position' => 'coupling'], ['kind' => 'bipolar'], [], 'fits_with_care', 'bipolar in place'],
            'bipolar for aluminium elsewhere' => [[], ['kind' => 'bipolar'], [], 'no', 'does not stand'],
            'film for a tantalum in coupling' => [['kind' => 'tantalum', 'position' => 'coupling'], ['kind' => 'film'], [], 'fits_with_care', 'film'],
            'film for bipolar' => [['kind' => 'bipolar'], ['kind' => 'film'], [], 'fits_with_care', 'film in place'],
            'film for bipolar of less' => [
                ['kind' => 'bipolar', 'position' => 'timing'], ['kind' => 'film', 'marked_f' => 990e-6], [], 'no', 'at least its value',
            ],
            'bipolar wants 1.25 times the rail' => [['kind' => 'bipolar'], ['kind' => 'bipolar'], ['rail_v' => 20.1], 'no', '1.25 times the rail'],
            'voltage below the original' => [[], ['rated_v' => 10], [], 'no', 'below the original'],
            'voltage too near the rail' => [[], ['rated_v' => 25], ['rail_v' => -20.1], 'no', '1.25 times the rail'],
            'just enough' => [[], ['rated_v' => 25], ['rail_v' => 20], 'fits', '25 V'],
            'tantalum wants twice the rail' => [['kind' => 'tantalum'], ['kind' => 'tantalum', 'rated_v' => 25], ['rail_v' => 13], 'no', '2 times the rail'],
            'cooler' => [['temperature_c' => 105], ['temperature_c' => 85], [], 'no', 'below the original'],
            'temperature not known' => [['temperature_c' => null], [], [], 'fits', 'temperature not judged'],
            'too high' => [[], ['height_mm' => 26], ['clearance_mm' => 25], 'no', '25 mm are free'],
            'height not known' => [[], ['height_mm' => null], ['clearance_mm' => 25], 'fits', 'height not judged'],
            'a millimetre wider' => [[], ['diameter_mm' => 13.5], [], 'fits', ''],
            'more than that wider' => [[], ['diameter_mm' => 13.6], [], 'no', 'across'],
            'much slimmer' => [[], ['diameter_mm' => 7], [], 'fits_with_care', 'slimmer'],
            'another pitch' => [[], ['pitch_mm' => 6.5], [], 'fits_with_care', 'bend the leads'],
            'a pitch too far' => [[], ['pitch_mm' => 7.5], [], 'no', 'the holes'],
            'polymer for aluminium' => [[], ['kind' => 'polymer'], [], 'fits_with_care', 'polymer in place'],
            'aluminium for polymer' => [['kind' => 'polymer'], [], [], 'no', 'does not stand'],
            'aluminium for tantalum' => [['kind' => 'tantalum'], [], [], 'fits_with_care', 'aluminium in place'],
            'an 85 C aluminium for tantalum' => [['kind' => 'tantalum'], ['temperature_c' => 85], [], 'no', '105 C'],
            'film for ceramic' => [['kind' => 'ceramic'], ['kind' => 'film'], [], 'fits_with_care', 'film'],
            'ceramic for film' => [['kind' => 'film'], ['kind' => 'ceramic'], [], 'no', 'does not stand'],
            'ceramic in timing' => [['kind' => 'ceramic', 'position' => 'timing'], ['kind' => 'ceramic'], [], 'fits_with_care', 'drifts'],
            'ESR far below' => [[], ['esr_ohm' => 0.01], [], 'fits_with_care', 'may ring'],
            'the original\'s own ESR counts' => [['esr_ohm' => 0.03], ['esr_ohm' => 0.01], [], 'fits', ''],
            'none left' => [[], ['quantity' => 0], [], 'no', 'none is on the shelf'],
            'X2 for X2' => [$mains, $x + ['safety_class' => 'X2'], [], 'fits', 'class X2'],
            'Y1 for X2' => [$mains, $x + ['safety_class' => 'Y1'], [], 'fits', 'class Y1'],
            'X1 for Y2' => [['safety_class' => 'Y2'] + $mains, $x + ['safety_class' => 'X1'], [], 'no', 'does not stand'],
            'no class' => [$mains, $x, [], 'no', 'no safety class'],
            'the original has no class' => [array_diff_key($mains, ['safety_class' => 1]), $x + ['safety_class' => 'X1'], [], 'no', 'find it first'],
        ];
    }

    /**
     * @param array<string, mixed> $part
     * @param array<string, mixed> $stock
     * @param array<string, mixed> $more
     */
    #[DataProvider('cases')]
    public function test_every_rule_says_its_reason(array $part, array $stock, array $more, string $verdict, string $word): void
    {
        $whole = static fn (array $given, array $usual): array => array_filter(
            ($given['kind'] ?? '') === 'mains_suppression' ? $given : [...$usual, ...$given],
            static fn (mixed $it): bool => $it !== null,
        );
        $choice = self::ask($whole($part, self::PART), [$whole($stock, self::STOCK)], $more)[0];
        self::assertSame($verdict, $choice['verdict'], implode('; ', $choice['reasons']));
        self::assertStringContainsString($word, implode('; ', $choice['reasons']));
    }

    public function test_the_best_comes_first_in_the_order_of_the_handbook(): void
    {
        $better = [
            ['sku' => 'no', 'rated_v' => 10], ['sku' => 'care', 'pitch_mm' => 6], ['sku' => 'other value', 'marked_f' => 1200e-6],
            ['sku' => '85 C', 'temperature_c' => 85, 'hours' => 9000],
            ['sku' => 'short life', 'hours' => 1000], ['sku' => 'pitch not known', 'pitch_mm' => null], ['sku' => 'best', 'esr_ohm' => 0.1], ['sku' => 'good'],
        ];
        $choices = self::ask(
            self::PART,
            array_map(static fn (array $it): array => array_filter([...self::STOCK, ...$it], static fn (mixed $it): bool => $it !== null), $better),
        );
        self::assertSame(['best', 'good', 'pitch not known', 'short life', '85 C', 'other value', 'care', 'no'], array_column($choices, 'sku'));
        self::assertSame(0, end($choices)['score']);
    }

    public function test_safety_classes_go_one_way(): void
    {
        $may = [];
        foreach (SafetyClass::cases() as $new) {
            foreach (SafetyClass::cases() as $old) {
                if ($new->mayStandFor($old)) {
                    $may[] = "{$new->value} for {$old->value}";
                }
            }
        }
        self::assertSame(['X1 for X1', 'X1 for X2', 'X2 for X2', 'Y1 for X1', 'Y1 for X2', 'Y1 for Y1', 'Y1 for Y2', 'Y2 for X2', 'Y2 for Y2'], $may);
    }

    public function test_a_higher_voltage_never_makes_a_substitute_unfit_and_a_longer_life_never_ranks_lower(): void
    {
        $random = new Randomizer(new Mt19937(4116));
        $volts = [6.3, 10, 16, 25, 35, 50, 63, 100];
        for ($i = 0; $i < 400; ++$i) {
            $kind = ['aluminium', 'polymer', 'tantalum', 'film', 'ceramic'][$random->getInt(0, 4)];
            $part = [
                'kind' => $kind,
                'marked_f' => 1e-6 * $random->getInt(1, 900),
                'rated_v' => $volts[$random->getInt(0, 5)],
                'position' => ['filter', 'coupling', 'timing'][$random->getInt(0, 2)],
            ];
            $stock = [
                'sku' => 's',
                'kind' => $kind,
                'marked_f' => $part['marked_f'] * (1 + $random->getInt(0, 6) / 10),
                'quantity' => 1,
                'hours' => 1000 * $random->getInt(1, 9),
            ];
            $rail = ['rail_v' => $random->getInt(1, 40)];
            $last = 0;
            foreach ($volts as $v) {
                $choice = self::ask($part, [['rated_v' => $v] + $stock], $rail)[0];
                $good = $choice['verdict'] === 'no' ? 0 : 1;
                self::assertGreaterThanOrEqual($last, $good, json_encode([$part, $stock, $v, $rail], JSON_THROW_ON_ERROR));
                $last = $good;
                $longer = self::ask($part, [['rated_v' => $v, 'hours' => $stock['hours'] + 1000] + $stock], $rail)[0];
                self::assertGreaterThanOrEqual($choice['score'], $longer['score']);
            }
        }
    }

    public function test_bad_input_is_refused_at_its_field(): void
    {
        foreach ([
            '/stock/0/quantity' => ['quantity' => -1],
            '/stock/0/sku' => ['sku' => ''],
            '/stock/0/rated_v' => ['rated_v' => 0],
            '/stock/0/safety_class' => ['safety_class' => 'Z1'],
        ] as $pointer => $wrong) {
            self::assertRefusedAt($pointer, new CapacitorsRoom(), 'substitute', ['part' => self::PART, 'stock' => [[...self::STOCK, ...$wrong]]]);
        }
        self::assertRefusedAt('/part/position', new CapacitorsRoom(), 'substitute', ['part' => ['position' => 'attic'] + self::PART, 'stock' => []]);
        self::assertRefusedAt('/stock/1/sku', new CapacitorsRoom(), 'substitute', ['part' => self::PART, 'stock' => [self::STOCK, self::STOCK]]);
    }
}
