<?php

declare(strict_types=1);

namespace Ash\Tests\Treatments;

use Ash\Document\InvalidDocument;
use Ash\Document\Shape;
use Ash\Treatments\Brightening;
use Ash\Treatments\ColourProgress;
use Ash\Treatments\ColourRead;
use Ash\Treatments\Disc;
use Ash\Treatments\Spot;
use Ash\Treatments\SpotColour;
use PHPUnit\Framework\TestCase;

/** Colours read off a picture, and when a part will match its reference patch. */
final class ColourReadTest extends TestCase
{
    private static function even(int $r, int $g, int $b): Disc
    {
        return Disc::of([[$r, $g, $b], [$r, $g, $b]]);
    }

    private static function read(?float $hours = null, int $places = 1): ColourRead
    {
        return new ColourRead(
            photo: '01JK8E3CT09KHR96A3PYK2KXS1', part: 'case top', places: array_fill(0, $places, new Spot(0.2, 0.2)), reference: new Spot(0.5, 0.5),
            grey: new Spot(0.8, 0.8), radius: 0.02, hours: $hours,
        );
    }

    /** IEC 61966-2-1: black and white in equal parts are half the light, which is 187.5 and not 127.5. */
    public function test_a_disc_is_averaged_in_light(): void
    {
        $mixed = json_decode(Disc::of([[0, 0, 0], [255, 255, 255]])->document(), true);
        self::assertIsArray($mixed);
        self::assertEqualsWithDelta([187.516, 187.516, 187.516], array_values($mixed), 0.001);
        $even = json_decode(self::even(200, 100, 3)->document(), true);
        self::assertIsArray($even);
        self::assertEqualsWithDelta([200, 100, 3], array_values($even), 1e-4);
    }

    public function test_what_is_clipped_or_black_is_refused_with_words(): void
    {
        self::assertNull(self::even(253, 200, 13)->refused(true));
        self::assertStringContainsString('is clipped', self::even(254, 200, 100)->refused(false) ?? '');
        self::assertStringContainsString('take the picture again', mb_strtolower(self::even(11, 60, 60)->refused(true) ?? ''));
        self::assertNull(self::even(0, 0, 0)->refused(false), 'a black part is a part');
        self::assertNull(Disc::of([...array_fill(0, 98, [100, 100, 100]), [255, 255, 255], [255, 255, 255]])->refused(false), 'specks of glare');
        self::assertNotNull(Disc::of([...array_fill(0, 97, [100, 100, 100]), ...array_fill(0, 3, [255, 255, 255])])->refused(false));
        foreach ([
            [[200, 190, 150], [210, 210, 205], [5, 5, 5], '/data/grey'],
            [[255, 255, 255], [210, 210, 205], [120, 120, 120], '/data/places/0'],
            [[200, 190, 150], [255, 210, 205], [120, 120, 120], '/data/reference'],
        ] as [$part, $reference, $grey, $pointer]) {
            try {
                self::read()->judged([self::even(...$part)], self::even(...$reference), self::even(...$grey));
                self::fail($pointer);
            } catch (InvalidDocument $refused) {
                self::assertSame($pointer, $refused->pointer);
            }
        }
    }

    /** The colours of `treatments colour`'s example: the same door, so the same figures. */
    public function test_a_part_is_read_beside_its_reference(): void
    {
        $it = self::read(6.0, 2)->judged([self::even(196, 178, 134), self::even(212, 206, 190)], self::even(214, 209, 196), self::even(128, 126, 120));
        $compared = \Ash\Treatments\ColourCompared::read(\Ash\Document\Node::parse(
            '{"before": {"r": 196, "g": 178, "b": 134}, "after": {"r": 212, "g": 206, "b": 190}, "reference": {"r": 214, "g": 209, "b": '
                .'196}, "grey": {"r": 128, "g": 126, "b": 120}}',
        ));
        self::assertEqualsWithDelta(
            [$compared->deltaBefore(), $compared->deltaAfter()],
            array_map(static fn (SpotColour $c): float => $c->delta, $it->found),
            1e-4,
        );
        self::assertSame(1, $it->lags());
        self::assertEqualsWithDelta($compared->deltaBefore(), $it->delta(), 1e-4);
        self::assertMatchesRegularExpression('/^case top: [\d.]+ from the reference, yellowness \d+, after 6 h, place 1 lags$/', $it->sentence(''));
        self::assertNull(self::read(places: 2)->judged(
            [self::even(196, 178, 134), self::even(196, 178, 134)],
            self::even(214, 209, 196),
            self::even(128, 126, 120),
        )->lags());
        self::assertContains('balanced on the grey card', $it->reasons);
    }

    /** By hand: 16, 8 and 4 at 0, 10 and 20 h halve in ten hours, so that 2 stands at 30. */
    public function test_the_expected_end_says_how_sure_it_is(): void
    {
        $exact = Brightening::of([[0, 16], [10, 8], [20, 4]]);
        self::assertEqualsWithDelta(30.0, $exact->hours, 1e-9);
        self::assertEqualsWithDelta([30.0, 30.0], $exact->between, 1e-6);
        self::assertSame('it may match after 30 h; two readings do not say how sure that is', Brightening::of([[0, 16], [10, 8]])->says);
        // Worked out apart from it (Python, the textbook's sums): slope -0.0681462, intercept 2.7955106, residual sd 0.0958132, t of 2 degrees 4.303.
        $four = Brightening::of([[0, 16], [10, 9], [20, 3.8], [30, 2.2]]);
        self::assertEqualsWithDelta(30.850790, $four->hours, 1e-5);
        [$low, $high] = $four->between ?? self::fail('four readings have an interval');
        self::assertEqualsWithDelta([30.850790 - 5.248158, 30.850790 + 5.248158], [$low, $high], 1e-4);
        self::assertStringContainsString('95 % interval', $four->says);
        foreach ([[], [[0, 16]], [[5, 16], [5, 15]]] as $few) {
            self::assertSame('two readings some hours apart say when it may match', Brightening::of($few)->says);
        }
        self::assertStringStartsWith('it does not come nearer', Brightening::of([[0, 8], [10, 9]])->says);
        // The curve goes a tenth beyond the end, halves each ten hours, and knows how sure it is from three readings on.
        self::assertCount(25, $exact->curve);
        self::assertEqualsWithDelta([0.0, 16.0, 16.0, 16.0], $exact->curve[0], 1e-6);
        self::assertEqualsWithDelta([33.0, 16 / 2 ** 3.3], array_slice($exact->curve[24], 0, 2), 1e-9);
        self::assertSame([null, null], array_slice(Brightening::of([[0, 16], [10, 8]])->curve[3], 2));
        // At the middle of the hours the interval is the narrowest: exp of 4.303 * 0.0958132 / 2 on the logarithm's scale.
        $middle = Brightening::of([[0, 16], [10, 9], [20, 3.8], [30, 2.2]])->curve;
        foreach ($middle as [$hours, $mid, $from, $to]) {
            self::assertEqualsWithDelta($mid, sqrt((float) $from * (float) $to), 1e-9);
            self::assertGreaterThanOrEqual(exp(2 * 4.303 * 0.0958132 / 2) * (1 - 1e-6), (float) $to / (float) $from, (string) $hours);
        }
        self::assertSame([], Brightening::of([[0, 16]])->curve);
    }

    public function test_how_far_a_part_has_come_between_two_pictures(): void
    {
        $with = static fn (SpotColour ...$found): ColourRead => Shape::of(ColourRead::class)->with(self::read(), ['found' => array_values($found)]);
        // Sharma, Wu and Dalal (2005), pair 17: (50, 2.5, 0) and (73, 25, -18) differ by 27.1492.
        $come = ColourProgress::of(
            $with(new SpotColour(50, 2.5, 0, 40, 8.0), new SpotColour(50, 2.5, 0, 40, 10.0)), $with(new SpotColour(73, 25, -18, 10, 2.5)),
        );
        self::assertEqualsWithDelta([0.75, 27.1492], [$come?->progress, $come?->change], 1e-4);
        self::assertNull(ColourProgress::of($with(new SpotColour(50, 0, 0, 0, 0.0)), $with(new SpotColour(50, 0, 0, 0, 1.0)))?->progress);
        self::assertNull(ColourProgress::of(self::read(), $with(new SpotColour(50, 0, 0, 0, 1.0))));
    }
}
