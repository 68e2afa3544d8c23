<?php

declare(strict_types=1);

namespace Ash\Tests\Logbook;

use Ash\Logbook\Words;
use PHPUnit\Framework\TestCase;

/** What of a text can be searched for. */
final class WordsTest extends TestCase
{
    public function test_words_designators_and_values(): void
    {
        foreach ([
            'C52 bulged, +12 at U52: 11.31 V (low).' => ['c52', 'bulged', '+12', 'at', 'u52', '11.31', 'low'],
            'the 4116 in D3, again the 4116' => ['the', '4116', 'in', 'd3', 'again'],
            '-5 V; J1-12 and 74LS245/2. a 7' => ['-5', 'j1-12', 'and', '74ls245/2', '7'],
            'Größe 100 µF' => ['größe', '100', 'µf'],
            '' => [], '... --- !!' => [],
        ] as $text => $words) {
            self::assertSame($words, Words::of($text), $text);
        }
        self::assertSame([str_repeat('x', 40)], Words::of(str_repeat('x', 90)));
        self::assertCount(300, Words::of(implode(' ', range(1000, 2000))));
    }
}
