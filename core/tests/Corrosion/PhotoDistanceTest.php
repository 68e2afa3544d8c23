<?php

declare(strict_types=1);

namespace Ash\Tests\Corrosion;

use Ash\Corrosion\PhotoDistance;
use PHPUnit\Framework\TestCase;

final class PhotoDistanceTest extends TestCase
{
    public function test_lengths_in_a_picture_go_as_those_on_the_board(): void
    {
        // A 16-pin package of 0.3 inch: pins 1 and 8 lie 7 * 2.54 mm apart (JEDEC MS-001, pitch of 0.1 inch; from memory).
        $it = PhotoDistance::of(400.0, 7 * 2.54, 900.0) ?? self::fail('it can be measured by');
        self::assertEqualsWithDelta(40.005, $it->mm, 1e-9);
        self::assertEqualsWithDelta(hypot(4 * M_SQRT2 * 17.78 / 400, 40.005 * 4 * M_SQRT2 / 400), $it->plusMinusMm, 1e-9);
        self::assertSame('40 mm, give or take 0.62 mm for the taps, if the camera looked straight at the board', $it->words());
        self::assertNull(PhotoDistance::of(39.9, 10.0, 900.0), 'too short to measure by');
        self::assertSame(0.0, PhotoDistance::of(400.0, 10.0, 0.0)?->mm);
    }
}
