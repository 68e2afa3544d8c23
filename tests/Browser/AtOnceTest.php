<?php

declare(strict_types=1);

namespace Tests\Browser;

use Symfony\Component\Uid\Ulid;
use Tests\Bench\Client;

/** Several people at several benches reach for the same part or kind at the same moment: real requests, side by side. */
final class AtOnceTest extends TestCase
{
    public function test_the_last_part_goes_to_one_and_the_others_get_a_clear_word(): void
    {
        $this->chrome->go('/');
        $client = Client::signedIn(self::environment('ASH_URL'), self::environment('ASH_VAR'));
        $item = strtolower(Ulid::generate());
        self::assertSame(
            [201],
            array_column(
                $client->together([
                    ['/api/shelf', ['id' => strtoupper($item), 'sku' => "LAST-{$item}", 'name' => 'the last fuse', 'place' => 'drawer 1', 'quantity' => 1]],
                ]),
                0,
            ),
        );
        $jobs = array_column(self::rows("SELECT id FROM jobs WHERE state = 'open' LIMIT 4"), 'id');
        self::assertGreaterThanOrEqual(3, count($jobs));
        $asked = array_map(
            static fn (mixed $job): array => [
                '/api/jobs/'.(is_string($job) ? $job : '').'/entries',
                [
                    'id' => Ulid::generate(),
                    'at' => gmdate('Y-m-d\TH:i:s\Z'),
                    'kind' => 'part',
                    'data' => ['designator' => 'F9', 'to' => 'a fuse', 'shelf' => strtoupper($item)],
                ],
            ],
            $jobs,
        );
        $answers = $client->together($asked);
        $status = array_column($answers, 0);
        sort($status);
        self::assertSame([201, ...array_fill(0, count($jobs) - 1, 422)], $status);
        foreach ($answers as [$code, $body]) {
            $code === 201 || self::assertStringContainsString('none is on the shelf; ', $body);
        }
        self::assertSame('0', self::one('SELECT quantity FROM shelf_items WHERE id = ?', $item));
        self::assertSame('0', self::one('SELECT SUM(`change`) FROM shelf_moves WHERE item_id = ?', $item));
        self::assertSame('1', self::one("SELECT COUNT(*) FROM entries WHERE kind = 'part' AND JSON_VALUE(data, '$.shelf') = ?", strtoupper($item)));
    }

    public function test_what_is_set_aside_at_the_same_moment_is_never_more_than_there_is(): void
    {
        $this->chrome->go('/');
        $client = Client::signedIn(self::environment('ASH_URL'), self::environment('ASH_VAR'));
        $item = strtolower(Ulid::generate());
        $client->together([
            ['/api/shelf', ['id' => strtoupper($item), 'sku' => "FEW-{$item}", 'name' => 'a few fuses', 'place' => 'drawer 1', 'quantity' => 3]],
        ]);
        $job = self::one("SELECT id FROM jobs WHERE state = 'open' LIMIT 1");
        $answers = $client->together(array_map(
            static fn (): array => ["/api/shelf/{$item}/reservations", ['id' => Ulid::generate(), 'job' => $job, 'quantity' => 2]],
            range(1, 5),
        ));
        $status = array_column($answers, 0);
        sort($status);
        self::assertSame([200, 422, 422, 422, 422], $status);
        self::assertSame('2', self::one('SELECT SUM(quantity) FROM shelf_reservations WHERE item_id = ?', $item));
    }

    public function test_two_kinds_each_merged_into_the_other_at_the_same_moment_end_as_one(): void
    {
        $this->chrome->go('/');
        $client = Client::signedIn(self::environment('ASH_URL'), self::environment('ASH_VAR'), 'ines');
        $name = 'Twin '.Ulid::generate();
        $client->together(array_map(
            static fn (string $half): array => ['/api/intake', ['id' => Ulid::generate(), 'at' => gmdate('Y-m-d\TH:i:s\Z'), 'name' => "{$name} {$half}"]],
            ['one', 'two'],
        ));
        [$one, $two] = array_map(static fn (string $half): string => self::one('SELECT id FROM kinds WHERE name = ?', "{$name} {$half}"), ['one', 'two']);
        $merge = static fn (string $into, string $other): array => ["/api/kinds/{$into}/merge", ['other' => $other, 'done' => true]];
        $status = array_column($client->together([$merge($one, $two), $merge($two, $one)]), 0);
        sort($status);
        self::assertSame([200, 422], $status);
        self::assertSame('1', self::one('SELECT COUNT(*) FROM kinds WHERE id IN (?, ?) AND merged_into IS NULL', $one, $two));
    }
}
