<?php

declare(strict_types=1);

namespace Ash\Tests\Logbook;

use Ash\Document\Node;
use Ash\Logbook\Lesson;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What one job taught of a kind is taken back, and nothing else. */
final class LessonTest extends TestCase
{
    /** @return array<string, array{string, string, string, string}> before, after the lesson, now, without it */
    public static function lessons(): array
    {
        return [
            'a rail that was added goes' => [
                '{"rails":[{"name":"+5"}]}',
                '{"rails":[{"name":"+5"},{"name":"-5"}]}',
                '{"rails":[{"name":"+5"},{"name":"-5"}]}',
                '{"rails":[{"name":"+5"}]}',
            ],
            'what came after it stays' => [
                '{"rails":[]}',
                '{"rails":[{"name":"-5"}]}',
                '{"rails":[{"name":"-5"},{"name":"+12"}],"memories":[{"key":"m"}]}',
                '{"rails":[{"name":"+12"}],"memories":[{"key":"m"}]}',
            ],
            'what somebody changed since stays' => [
                '{"rails":[]}',
                '{"rails":[{"name":"-5","nominal_v":-5}]}',
                '{"rails":[{"name":"-5","nominal_v":-5.2}]}',
                '{"rails":[{"name":"-5","nominal_v":-5.2}]}',
            ],
            'a figure that was changed is as before' => [
                '{"rails":[{"name":"+5","ohms_good":40}]}',
                '{"rails":[{"name":"+5","ohms_good":55}]}',
                '{"rails":[{"name":"+5","ohms_good":55}]}',
                '{"rails":[{"name":"+5","ohms_good":40}]}',
            ],
            'a figure inside that was added goes' => [
                '{"rails":[{"name":"+5"}]}',
                '{"rails":[{"name":"+5","ohms_good":55}]}',
                '{"rails":[{"name":"+5","ohms_good":55,"optional":true}]}',
                '{"rails":[{"name":"+5","optional":true}]}',
            ],
            'a field that was added goes' => ['{"a":1}', '{"a":1,"supply":{"amps":6}}', '{"a":1,"supply":{"amps":6}}', '{"a":1}'],
            'a field somebody removed since stays away' => ['{"a":1}', '{"a":1,"b":2}', '{"a":1}', '{"a":1}'],
        ];
    }

    #[DataProvider('lessons')]
    public function test_a_lesson_is_taken_back(string $before, string $after, string $now, string $without): void
    {
        [$one, $two, $three] = array_map(static fn (string $it): \stdClass => Node::parse($it)->object(), [$before, $after, $now]);
        self::assertSame($without, json_encode(Lesson::undone($three, $one, $two)));
    }
}
