<?php

declare(strict_types=1);

namespace Ash\Tests;

use Ash\Batteries\BoardNeeds;
use Ash\Batteries\Option;
use Ash\Batteries\Suitability;
use Ash\Batteries\VoltSpan;
use Ash\Capacitors\CapacitorStrips;
use Ash\Capacitors\Part;
use Ash\Capacitors\PartVerdict;
use Ash\Corrosion\ContinuityRead;
use Ash\Corrosion\Trace;
use Ash\Corrosion\Wire;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Facts\CapacitorKind;
use Ash\Logbook\UnreadEntry;
use Ash\Memory\Shading;
use Ash\Quantity\Strip;
use Ash\Rails\Millivolts;
use Ash\Rooms;
use Ash\Statistics\Normal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Small rules that screens and records ask for and no command does. Figures are worked by hand unless a source is named. */
final class StripsTest extends TestCase
{
    private static function part(): Part
    {
        return Part::read(Node::of((object) ['kind' => 'aluminium', 'marked_f' => 100e-6, 'rated_v' => 16, 'esr_max_ohm' => 1.0]));
    }

    /** @return iterable<string, array{float, float, bool}> farad, tick, beyond: 20 % below and 50 % above, drawn from nothing to 200 µF */
    public static function farads(): iterable
    {
        yield 'nothing' => [0, 0, false];
        yield 'a little low' => [90e-6, 0.45, false];
        yield 'at the end of the strip' => [200e-6, 1, false];
        yield 'beyond it' => [250e-6, 1, true];
    }

    #[DataProvider('farads')]
    public function test_capacitance_is_drawn_from_nothing_to_twice_what_is_marked(float $farad, float $tick, bool $beyond): void
    {
        $strip = CapacitorStrips::capacitance(self::part(), $farad);
        foreach ([[0.4, $strip->low], [0.75, $strip->high], [0.5, $strip->nominal], [0.01, $strip->guard], [$tick, $strip->tick]] as [$expected, $is]) {
            self::assertEqualsWithDelta($expected, $is, 1e-9);
        }
        self::assertSame($beyond, $strip->beyond);
        self::assertNull(CapacitorStrips::capacitance(self::part(), null)->tick);
        self::assertEquals(new Strip(0, 0, 0, 0), CapacitorStrips::capacitance(null, $farad), 'of what nobody knows nothing is drawn');
    }

    /** @return iterable<string, array{float, float, bool}> */
    public static function ohms(): iterable
    {
        yield 'half the limit' => [0.5, 1 / 6, false];
        yield 'three times the limit' => [3.0, 1, false];
        yield 'more' => [3.1, 1, true];
    }

    #[DataProvider('ohms')]
    public function test_esr_is_drawn_from_nothing_to_three_times_its_limit(float $ohm, float $tick, bool $beyond): void
    {
        $strip = CapacitorStrips::esr(self::part(), $ohm);
        self::assertNotNull($strip);
        foreach ([[0, $strip->low], [1 / 3, $strip->high], [1 / 6, $strip->nominal], [0, $strip->guard], [$tick, $strip->tick]] as [$expected, $is]) {
            self::assertEqualsWithDelta($expected, $is, 1e-9);
        }
        self::assertSame($beyond, $strip->beyond);
        self::assertNull(CapacitorStrips::esr(self::part(), null));
        self::assertNull(CapacitorStrips::esr(null, $ohm));
    }

    public function test_a_share_stays_on_the_strip(): void
    {
        self::assertSame([0.0, 0.0, 0.4, 1.0, 1.0], array_map(Strip::clamp(...), [-0.1, 0.0, 0.4, 1.0, 1.7]));
    }

    public function test_a_chip_is_drawn_darker_from_one_ten_thirty_and_seventy_per_cent_on(): void
    {
        $at = ['0' => 0, '0.0099' => 0, '0.01' => 1, '0.099' => 1, '0.1' => 2, '0.29' => 2, '0.3' => 3, '0.69' => 3, '0.7' => 4, '1' => 4];
        foreach ($at as $probability => $level) {
            self::assertSame($level, Shading::level((float) $probability), (string) $probability);
        }
    }

    public function test_the_harder_verdict_counts(): void
    {
        $hard = ['keep' => 0, 'watch' => 1, 'replace' => 2];
        foreach (PartVerdict::cases() as $one) {
            foreach (PartVerdict::cases() as $other) {
                self::assertSame(max($hard[$one->value], $hard[$other->value]), $hard[PartVerdict::worse($one, $other)->value]);
            }
        }
    }

    public function test_which_kinds_have_losses_that_matter_and_which_have_a_right_way_round(): void
    {
        // Common practice, no source: electrolytic kinds are polarised; film and ceramic are judged by capacitance and looks.
        $kinds = ['aluminium' => [true, true], 'tantalum' => [true, true], 'polymer' => [true, true], 'film' => [false, false], 'ceramic' => [false, false]];
        foreach ($kinds as $kind => [$losses, $polarised]) {
            self::assertSame([$losses, $polarised], [CapacitorKind::from($kind)->losesMatter(), CapacitorKind::from($kind)->polarised()], $kind);
        }
        self::assertFalse(CapacitorKind::MainsSuppression->polarised());
    }

    public function test_probability_between_two_places_of_the_normal_distribution(): void
    {
        // Tables of the standard normal distribution: P(Z <= 2.5) = 0.9937903, P(Z <= 1.5) = 0.9331928, P(Z <= 1) = 0.8413447.
        foreach ([[1.5, 2.5, 0.0605975], [-2.5, -1.5, 0.0605975], [-1.0, 1.0, 0.6826895], [0.0, 1.0, 0.3413447]] as [$low, $high, $probability]) {
            self::assertEqualsWithDelta($probability, Normal::between($low, $high), 2e-7);
        }
    }

    public function test_a_wire_in_place_of_a_trace(): void
    {
        // AWG 30 has 0.0509 square millimetres and 0.339 ohm a metre (wire tables after ASTM B258); a signal of 20 mA over 50 mm when nothing is said.
        foreach ([Wire::inPlaceOf(null, null), Wire::inPlaceOf(null, 0.0)] as $wire) {
            self::assertSame(30, $wire->awg);
            self::assertEqualsWithDelta(0.339 * 0.05, $wire->ohm, 2e-4);
            self::assertEqualsWithDelta(0.339 * 0.05 * 0.02, $wire->dropV, 4e-6);
            self::assertNull($wire->traceCapacityA);
        }
        // 0.5 A wants 0.05 square millimetres at 10 A a square millimetre: AWG 30 just does, and 0.52 A does not.
        self::assertSame([30, 28], [Wire::inPlaceOf(null, 0.5)->awg, Wire::inPlaceOf(null, 0.52)->awg]);
        $trace = new Trace(80, 1, 1);
        self::assertEqualsWithDelta(0.339 * 0.08, Wire::inPlaceOf($trace, null)->ohm, 3e-4);
        // IPC-2221, outer layer, 10 K: I = 0.048 * dT^0.44 * A^0.725, 1 mm of 1 oz is 53.9 square mil.
        self::assertEqualsWithDelta(0.048 * 10 ** 0.44 * 53.9 ** 0.725, Wire::inPlaceOf($trace, null)->traceCapacityA, 0.05);
    }

    /** @return iterable<string, array{mixed, float}> as it is given, and millivolts */
    public static function ripples(): iterable
    {
        yield 'a number' => [120, 120];
        yield 'bare' => ['120', 120];
        yield 'with a comma' => ['12,5', 12.5];
        yield 'in volts' => ['0.12 V', 120];
        yield 'said to be peak to peak' => ['120 mVpp', 120];
        yield 'nothing' => [0, 0];
    }

    #[DataProvider('ripples')]
    public function test_ripple_is_spoken_of_in_millivolts(mixed $given, float $millivolts): void
    {
        self::assertEqualsWithDelta($millivolts, (new Millivolts())->read(Node::of($given)), 1e-9);
        $this->expectException(InvalidDocument::class);
        (new Millivolts())->read(Node::of(-1));
    }

    public function test_data_in_a_newer_form_stand_as_text(): void
    {
        $kinds = Rooms::hall()->kinds;
        foreach (['{"photo":"x","form":2}', '{"photo":"x","form":"1"}', '[', '{"form":1}'] as $json) {
            self::assertInstanceOf(UnreadEntry::class, $kinds->stored('photo', $json), $json);
        }
        self::assertNotInstanceOf(UnreadEntry::class, $kinds->stored('photo', '{"photo":"01HZY3G0000000000000000001","form":1}'));
    }

    public function test_an_option_is_drawn_between_the_limits_of_the_board(): void
    {
        // Limits of 2 V and 5 V stand at a fifth and four fifths of the width: one volt is a fifth of it.
        $board = BoardNeeds::read(Node::of((object) ['retention_min_v' => 2, 'retention_max_v' => 5, 'standby_a' => 5e-6]));
        $span = VoltSpan::of(Suitability::of(Option::LithiumCoin1, $board), $board);
        self::assertNotNull($span);
        // Fresh 3.2 V, at its end 2.5 V.
        self::assertEqualsWithDelta([0.2, 0.8, 0.3, 0.44], [$span->low, $span->high, $span->end, $span->fresh], 1e-9);
        self::assertNull(VoltSpan::of(Suitability::of(Option::Supercap1F, $board), $board), 'a supercapacitor on a board that does not charge');
    }

    public function test_open_is_kept_as_a_word_and_is_without_end(): void
    {
        $kinds = Rooms::hall()->kinds;
        foreach (['"open"' => INF, '0.25' => 0.25] as $stored => $ohm) {
            $data = $kinds->stored('continuity', '{"place":"01HZY3G0000000000000000001","measured_ohm":'.$stored.',"lead_ohm":0.1,"form":1}');
            self::assertInstanceOf(ContinuityRead::class, $data);
            self::assertSame($ohm, $data->measuredOhm);
            self::assertStringContainsString('"measured_ohm":'.$stored, $kinds->write('continuity', $data));
        }
    }

    public function test_a_wire_says_when_the_trace_was_asked_for_too_much(): void
    {
        $said = static fn (float $amps): string => implode(' ', Wire::choose($amps, 50, 0.05, 1.0)->reasons);
        self::assertStringContainsString('the trace could carry 1 A, less than it is asked to', $said(1.01));
        self::assertStringNotContainsString('less than', $said(1.0));
    }
}
