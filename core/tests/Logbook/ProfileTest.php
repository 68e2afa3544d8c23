<?php

declare(strict_types=1);

namespace Ash\Tests\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\Profile;
use Ash\Rails\DescribedRails;
use Ash\Rails\Limits;
use Ash\Rails\Point;
use Ash\Rails\Rail;
use Ash\Rails\RailStrip;
use Ash\Rails\RunPlan;
use Ash\Rooms;
use Ash\Tests\House;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Machine profiles, the order of a rail run, and where things stand on a strip. */
final class ProfileTest extends TestCase
{
    private const PROFILE = [
        'format' => 'ash-bench/machine-profile/1', 'slug' => 'test-8', 'name' => 'Test 8', 'kind' => 'controller',
        'boards' => [['key' => 'main', 'name' => 'Main']],
        'rails' => [
            [
                'name' => '+5',
                'nominal_v' => 5,
                'feeds' => ['U1'],
                'test_points' => [['name' => 'out', 'point' => 'supply'], ['name' => 'fuse', 'weight' => 3], ['name' => 'J1', 'point' => 'board']],
            ],
            ['name' => '-5', 'nominal_v' => -5, 'protects' => ['+5'], 'needs_load' => false],
        ],
    ];

    /** @param array<string, mixed> $change */
    private static function read(array $change = []): Profile
    {
        return House::profile([...self::PROFILE, ...$change]);
    }

    /** @param array<string, mixed> $change */
    private static function rails(array $change = []): DescribedRails
    {
        return self::read($change)->section(DescribedRails::class) ?? throw new \LogicException();
    }

    public function test_demo_profiles_are_read(): void
    {
        $files = glob(dirname(__DIR__, 3).'/database/demo/machines/*.json') ?: [];
        self::assertGreaterThanOrEqual(5, count($files));
        foreach ($files as $file) {
            $profile = Rooms::hall()->profile(Node::parse((string) file_get_contents($file)));
            self::assertNotSame([], $profile->section(DescribedRails::class)?->rails, $file);
            self::assertNotNull($profile->section(DescribedRails::class)->budget ?? null, $file);
        }
    }

    public function test_test_points_stand_in_order_and_a_rail_without_any_is_probed_at_the_supply(): void
    {
        $profile = self::rails();
        self::assertSame(['out', 'fuse', 'J1'], array_map(static fn ($it): string => $it->name, $profile->testPoints["\0+5"]));
        self::assertSame(3.0, $profile->testPoint('+5', 'fuse')?->weight);
        self::assertSame(Point::Supply, $profile->testPoints["\0-5"][0]->point);
        self::assertTrue($profile->protects());
        self::assertFalse(self::rails(['rails' => [self::PROFILE['rails'][0]]])->protects());
    }

    public function test_a_picture_tube_is_warned_of_wherever_someone_is_inside_the_machine(): void
    {
        $profile = self::read(['cautions' => ['picture_tube', 'mains']]);
        self::assertContains(\Ash\Logbook\Caution::PictureTube, $profile->cautionsAt(\Ash\Logbook\Stage::Supply));
        self::assertNotContains(\Ash\Logbook\Caution::PictureTube, $profile->cautionsAt(\Ash\Logbook\Stage::Close));
        self::assertCount(3, $profile->cautionsAt(\Ash\Logbook\Stage::Supply), 'mains, stored charge and picture tube, none of them twice');
    }

    public function test_a_run_begins_with_the_rail_that_protects_chips(): void
    {
        $profile = self::rails();
        $plan = RunPlan::of($profile->rails, $profile->testPoints);
        self::assertSame(['-5', '+5', '+5', '+5'], array_map(static fn (array $step): string => $step['rail']->name, $plan->steps));
        self::assertSame('-5', $plan->live([], [])['rail'] ?? null);
        self::assertSame('out', $plan->live(["-5\0supply output"], [])['test_point'] ?? null);
        self::assertNull($plan->live(["-5\0supply output", "+5\0out"], []));
        $walk = \Ash\Rails\Path::along(['out', 'fuse', 'J1'])->walk([['out', true], ['J1', false]]);
        self::assertSame('fuse', $plan->live([], ["\0+5" => $walk])['test_point'] ?? null);
    }

    public function test_a_strip_has_the_weak_end_left_on_both_polarities(): void
    {
        foreach ([[5, 4.8], [-5, -4.8]] as [$nominal, $volts]) {
            $rail = Rail::readAll(Node::parse(json_encode(
                [['name' => 'r', 'nominal_v' => $nominal, 'tolerance' => ['minus_pct' => 5, 'plus_pct' => 5]]],
                JSON_THROW_ON_ERROR,
            )))["\0r"];
            $strip = RailStrip::of($rail, $volts, 0.05, $nominal * 0.9, Limits::wide((float) $nominal));
            self::assertEqualsWithDelta(0.26, $strip->tick, 1e-9, '4.8 V lies a tenth into a band of 0.5 V: 0.2 + 0.1 * 0.6');
            self::assertEqualsWithDelta(0.06, $strip->guard, 1e-9);
            self::assertEqualsWithDelta(0.5, $strip->nominal, 1e-9);
            self::assertSame([0.0, 0.0, 1.0, false], [$strip->ghost, $strip->wideLow, $strip->wideHigh, $strip->beyond]);
            self::assertTrue(RailStrip::of($rail, 0.0, 0.0, null)->beyond);
        }
    }

    /** @return array<string, array{array<string, mixed>, string}> */
    public static function refused(): array
    {
        $rail = ['name' => '+5', 'nominal_v' => 5];

        return [
            'another format' => [['format' => 'x'], '/format'],
            'a slug with blanks' => [['slug' => 'Test 8'], '/slug'],
            'no board' => [['boards' => []], '/boards'],
            'a board twice' => [['boards' => [['key' => 'a', 'name' => 'A'], ['key' => 'a', 'name' => 'B']]], '/boards/1/key'],
            'a test point twice' => [['rails' => [[...$rail, 'test_points' => [['name' => 'a'], ['name' => 'a']]]]], '/rails/0/test_points/1/name'],
            'two points for the supply' => [
                ['rails' => [[...$rail, 'test_points' => [['name' => 'a', 'point' => 'supply'], ['name' => 'b', 'point' => 'supply']]]]],
                '/rails/0/test_points/1/point',
            ],
            'an unknown caution' => [['cautions' => ['dragons']], '/cautions/0'],
            'a load on an unknown rail' => [
                ['supply' => ['rails' => [['name' => '+5', 'nominal_v' => 5, 'max_a' => 1]], 'loads' => [['name' => 'x', 'amps' => ['+9' => 1]]]]],
                '/supply/loads/0/amps/+9',
            ],
            'an unknown field' => [['colour' => 'grey'], '/colour'],
        ];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('refused')]
    public function test_a_bad_profile_is_refused_with_its_place(array $change, string $pointer): void
    {
        try {
            self::read($change);
            self::fail('was taken');
        } catch (InvalidDocument $fault) {
            self::assertSame($pointer, $fault->pointer);
        }
    }
}
