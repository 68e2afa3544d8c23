<?php

declare(strict_types=1);

namespace Ash\Tests\Memory;

use Ash\Document\Node;
use Ash\Memory\Counted;
use Ash\Memory\FittedMemory;
use Ash\Memory\MapCheck;
use Ash\Memory\MemoriesSection;
use Ash\Memory\MemorySaid;
use Ash\Memory\RowsLine;
use PHPUnit\Framework\TestCase;

/** Memories that were said in a line, in a description; sizes that a machine counts. */
final class LearnedTest extends TestCase
{
    public function test_rows_are_a_memory_more_or_the_one_that_begins_there(): void
    {
        $section = new MemoriesSection();
        $learn = static fn (\stdClass $from, string $line): \stdClass => $section->learned($from, new MemorySaid($line)) ?? self::fail($line);
        $said = static fn (\stdClass $document): string => implode(
            '; ',
            array_map(static fn (\stdClass $it): string => "{$it->key}, {$it->name}, {$it->chip}, ".count($it->map->banks), $document->memories),
        );
        $one = $learn((object) ['slug' => 'x', 'cautions' => ['mains']], '2 x 8 4116 U20 at 0');
        self::assertSame('main, Main memory, 4116, 2', $said($one));
        self::assertSame(['x', ['mains']], [$one->slug, $one->cautions]);
        $two = $learn($one, '8 4164 U60 at 10000');
        self::assertSame('main, Main memory, 4116, 2; rows-2, Memory rows-2, 4164, 1', $said($two));
        self::assertSame('x', $two->slug);
        // At an address where a memory begins it is that one, said anew; what else was known of it stays, but for where the sockets lie.
        $two->memories[0]->firmware_keeps_bytes = 512;
        $two->memories[0]->sockets = [array_map(static fn (int $n): string => "U{$n}", range(20, 35))];
        $again = $learn($two, '8 4164 U20 at 0');
        self::assertSame('main, Main memory, 4164, 1; rows-2, Memory rows-2, 4164, 1', $said($again));
        self::assertSame(['x', 512, false], [$again->slug, $again->memories[0]->firmware_keeps_bytes, isset($again->memories[0]->sockets)]);
        self::assertSame(
            'main, Main memory, 4164, 1; rows-2, Memory rows-2, 4164, 1; rows-3, Memory rows-3, 4116, 1',
            $said($learn($again, '8 4116 U80 at 20000')),
        );
        self::assertSame('2 rows of 9 4164, one of them parity, 8 bits, from U1, at 0', RowsLine::read('2 x 9 4164 at 0', '/line')->words());
    }

    public function test_sizes_that_a_machine_counts(): void
    {
        foreach ([
            '48082 bytes free' => 48_082.0, '640K' => 655_360.0, '640 KB OK' => 655_360.0, '1 MiB' => 1_048_576.0,
            '38911 BASIC BYTES FREE' => 38_911.0, '640' => null, '12.5k' => 12_800.0, '1,5M' => 1_572_864.0,
            'nothing' => null, '3 kings' => null,
        ] as $said => $bytes) {
            self::assertSame($bytes, Counted::read((string) $said)?->bytes, (string) $said);
        }
    }

    public function test_a_chip_that_gives_more_bits_than_it_has_is_named(): void
    {
        $memory = static fn (array $chips): FittedMemory => FittedMemory::read(Node::parse((string) json_encode([
            'key' => 'main', 'name' => 'Main', 'chip' => '4164',
            'map' => ['word_bits' => 4, 'banks' => [['name' => '0', 'start' => '0', 'words' => 65_536, 'chips' => $chips]]],
        ])));
        $one = static fn (int $bit): array => ['ref' => "U{$bit}", 'bits' => [$bit]];
        self::assertStringNotContainsString(
            'gives',
            implode(' ', (array) json_decode((string) json_encode(MapCheck::of($memory([$one(0), $one(1), $one(2), $one(3)]))), true, 8)),
        );
        self::assertStringContainsString(
            'U9 gives 2 bits, a 4164 has 1',
            (string) json_encode(MapCheck::of($memory([['ref' => 'U9', 'bits' => [0, 1]], $one(2), $one(3)]))),
        );
    }
}
