<?php

declare(strict_types=1);

namespace Ash\Tests\Rails;

use Ash\Document\Node;
use Ash\Logbook\LineFacts;
use Ash\Rails\Family;
use Ash\Rails\JudgedReading;
use Ash\Rails\LabelLine;
use Ash\Rails\Load;
use Ash\Rails\MeterAccuracy;
use Ash\Rails\Point;
use Ash\Rails\PointNamed;
use Ash\Rails\Rail;
use Ash\Rails\RailsSection;
use Ash\Rails\Reading;
use Ash\Rails\ReadingSaid;
use PHPUnit\Framework\TestCase;

/** What families, lines, places and reasons say, written down by hand. */
final class SaidOfRailsTest extends TestCase
{
    /** The handbook's table of families, written down again: name nominal, then what is other than usual. */
    private const FAMILIES = [
        'single-5' => '+5 5', 'home-9vac' => '9 ac 9 ac -10/25; +5 5; +12 12 optional', 'twin-5-12' => '+5 5; +12 12',
        'three-supply-memory' => '-5 -5 -5.7..-4.5 protects +12 +5 unloaded; +5 5; +12 12; -12 -12 optional',
        'desktop-at' => '+5 5 ripple 50; +12 12 ripple 120; -5 -5 ripple 50; -12 -12 ripple 120',
        'desktop-atx' => '+3.3 3.3 ripple 50; +5 5 ripple 50; +12 12 ripple 120; -12 -12 ripple 120; +5 standby 5 ripple 50 standby',
        'unregulated-bus' => '+8 8 7.5..11 unloaded; +16 16 14.5..21 unloaded; -16 -16 -21..-14.5 unloaded', 'split-15' => '+5 5; +15 15 -5/5; -15 -15 -5/5',
        'core-machine' => '+5 5 -4/4; +15 15 -4/4; -15 -15 -4/4; +20 drive 20 -4/4',
        'plus-minus-12-serial' => '+5 5 -10/10; +12 12 -10/10; -12 -12 -10/10', 'monitor' => '',
    ];

    public function test_families_are_those_of_the_handbook(): void
    {
        self::assertSame(array_keys(self::FAMILIES), array_column(Family::cases(), 'value'));
        foreach (Family::cases() as $family) {
            self::assertSame(self::FAMILIES[$family->value], implode('; ', array_map(static function (array $it): string {
                $limits = $it['limits_v'] ?? null;
                $tolerance = $it['tolerance'] ?? null;

                return implode(' ', array_filter([
                    $it['name'], $it['nominal_v'], ($it['kind'] ?? '') === 'ac' ? 'ac' : null,
                    $tolerance === null ? null : "-{$tolerance['minus_pct']}/{$tolerance['plus_pct']}",
                    $limits === null ? null : "{$limits['low']}..{$limits['high']}", isset($it['protects']) ? 'protects '.implode(' ', $it['protects']) : null,
                    ($it['needs_load'] ?? true) ? null : 'unloaded', isset($it['ripple_max_mvpp']) ? "ripple {$it['ripple_max_mvpp']}" : null,
                    ($it['optional'] ?? false) ? 'optional' : null, ($it['standby'] ?? false) ? 'standby' : null,
                ], static fn (mixed $word): bool => $word !== null));
            }, $family->rails())));
        }
    }

    public function test_places_are_learned_beside_those_that_are_known(): void
    {
        $section = new RailsSection();
        $points = static function (\stdClass $document): string {
            return implode(
                ', ',
                array_map(static fn (\stdClass $it): string => $it->name.(isset($it->point) ? " {$it->point}" : ''), $document->rails[0]->test_points),
            );
        };
        $learn = static fn (\stdClass $from, PointNamed $it): ?\stdClass => $section->learned($from, $it);
        $bare = (object) ['slug' => 'x', 'rails' => [(object) ['name' => '+5', 'nominal_v' => 5]]];
        $one = $learn($bare, new PointNamed('+5', 'U7 pin 8', Point::Chip)) ?? self::fail();
        self::assertSame('supply output supply, U7 pin 8 chip', $points($one));
        self::assertSame(['x', 5], [$one->slug, $one->rails[0]->nominal_v]);
        // Each of the three kinds of place once; a further one of a kind is only a name.
        $two = $learn($one, new PointNamed('+5', 'U9 pin 8', Point::Chip)) ?? self::fail();
        self::assertSame('supply output supply, U7 pin 8 chip, U9 pin 8', $points($two));
        self::assertSame('supply output supply, U7 pin 8 chip, U9 pin 8, J1', $points($learn($two, new PointNamed('+5', 'J1')) ?? self::fail()));
        self::assertSame($points($two), $points($learn($two, new PointNamed('+5', 'U9 pin 8', Point::Board)) ?? $two), 'a name that is there stays what it is');
    }

    public function test_reasons_of_readings_that_measure_no_voltage(): void
    {
        $rail = static fn (array $more = []): Rail => Rail::readAll(Node::parse((string) json_encode([['name' => '+5', 'nominal_v' => 5, ...$more]])))["\0+5"];
        $judge = static fn (Rail $rail, ?float $volts, ?float $ripple, ?float $ohms = null, Load $load = Load::Working): JudgedReading => JudgedReading::judge(
            $rail, new Reading('+5', $volts, $load, rippleMvpp: $ripple, ohmsToGround: $ohms), MeterAccuracy::of(0.5, 2, 0.01),
        );
        $said = static fn (JudgedReading $it): string => implode('; ', $it->reasons);
        self::assertStringContainsString('ripple out: 70 mVpp against 50 mVpp allowed', $said($judge($rail(['ripple_max_mvpp' => 50]), null, 70.0, 30.0)));
        self::assertStringContainsString('30 Ω to ground: not shorted', $said($judge($rail(['ripple_max_mvpp' => 50]), null, 70.0, 30.0)));
        self::assertStringContainsString('no ripple limit is on file for +5: 70 mVpp is not judged', $said($judge($rail(), 5.0, 70.0)));
        self::assertStringContainsString('0.07 mVpp? Perhaps 70 mVpp', $said($judge($rail(['ripple_max_mvpp' => 50]), 5.0, 0.07)));
        foreach ([[1.9, 'shorted'], [2.0, 'suspicious'], [10.0, 'suspicious'], [10.1, 'not shorted']] as [$ohms, $word]) {
            self::assertStringContainsString($word, $said($judge($rail(), null, null, $ohms)), (string) $ohms);
        }
        foreach ([[29.0, 'something draws or leaks'], [30.0, 'a good one has 100']] as [$ohms, $word]) {
            self::assertStringContainsString($word, $said($judge($rail(['ohms_good' => 100]), null, null, $ohms)), (string) $ohms);
        }
        self::assertStringContainsString('the band is 20 mV wide', $said($judge($rail(['limits_v' => ['low' => 4.99, 'high' => 5.01]]), 5.0, null)));
        self::assertFalse($judge($rail(), null, null, 30.0)->weak(), 'no voltage is not a weak one');
        self::assertTrue($judge($rail(), 4.5, null)->weak());
        self::assertFalse($judge($rail(), 4.75, null)->weak());
    }

    public function test_a_reading_is_said_in_a_line(): void
    {
        $facts = new LineFacts(null, []);
        $fields = static function (string $line) use ($facts): array {
            $said = (new ReadingSaid())->read($line, $facts)?->data;

            return array_filter(
                $said instanceof ReadingSaid ? $said->fields($said->testPoint ?? 'J1', $said->load ?? Load::None) : (array) $said,
                static fn (mixed $it): bool => $it !== null,
            );
        };
        self::assertEquals(
            ['rail' => '+12', 'volts' => 11.31, 'ripple_mvpp' => 141.0, 'test_point' => 'U52 out', 'load' => 'working'],
            $fields('rail +12 11.31 ripple 141 at U52 out loaded'),
        );
        self::assertEquals(
            ['rail' => '+5', 'volts' => 4.9, 'changed' => true, 'sure' => true, 'test_point' => 'J1', 'load' => 'partial'],
            $fields('rail +5 4.9 changed sure partial'),
        );
        self::assertEquals(['rail' => '-5', 'ohms_to_ground' => 2200.0, 'test_point' => 'J1', 'load' => 'none'], $fields('rail -5 ohms 2k2 unloaded'));
    }

    public function test_alternating_outputs_are_read_as_such(): void
    {
        $read = LabelLine::read('9 ac 1A, +5 standby 500mA');
        self::assertSame(
            [['name' => '9 ac', 'nominal_v' => 9.0, 'kind' => 'ac'], ['name' => '+5 standby', 'nominal_v' => 5.0, 'standby' => true]],
            array_map(static fn (array $it): array => array_intersect_key($it, ['name' => 0, 'nominal_v' => 0, 'kind' => 0, 'standby' => 0]), $read->rails),
        );
    }
}
