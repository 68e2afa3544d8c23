<?php

declare(strict_types=1);

namespace Tests\Browser;

use Symfony\Component\Uid\Ulid;
use Tests\Bench\Client;

/** Every route that makes something is sent the same body by eight clients at once: one row, and an answer for each. */
final class TwiceTest extends TestCase
{
    private const CLIENTS = 8;
    private const JOB = "SELECT jobs.id FROM jobs JOIN machines ON machines.id = machine_id WHERE state = 'open' AND slug = 'dunlin-8' ORDER BY number LIMIT 1";

    /** Routes that make nothing, though they are posted to: they compute, read a meter, or end something. */
    private const NOTHING = [
        '/calendar', '/capacitors/decode', '/jobs/{job}/battery-options', '/compute/{room}/{verb}', '/logbook/line', '/intake/read', '/memory/fit',
        '/memory/sum',
        '/memory/coverage', '/memory/time', '/memory/soak', '/memory/rows', '/memory/check', '/memory-sources/{source}/stop', '/meters/{meter}/check',
        '/session', '/photos/{photo}/distance',
        // With a file or a meter, which this client does not send: LeakTest sends a photo twice, OutageTest presses a meter's key again; the
        // file of the shelf is refused the second time, because its parts are there.
        '/jobs/{job}/photos', '/jobs/{job}/memory-sources/csv', '/shelf/import', '/jobs/{job}/capacitors/take', '/jobs/{job}/continuity/take',
        '/rail-runs/{run}/take',
        // With files too: ArchiveTest brings the same archive twice.
        '/boards/import-archive',
        // Only looked at, until somebody says that it is done; the sheet is sent twice in BoardsTest.
        '/kinds/{kind}/merge', '/kinds/{kind}/split', '/machines/{machine}/merge', '/boards/{board}/merge', '/kinds/{kind}/sheets',
    ];

    /** @return array<string, array{string, array<string, mixed>, string}> by route: address, body, what counts the rows */
    private static function creating(): array
    {
        $job = self::one(self::JOB);
        $machine = self::one("SELECT id FROM machines WHERE slug = 'dunlin-8'");
        $board = self::one('SELECT board_id FROM jobs WHERE id = ?', $job);
        $item = self::one('SELECT id FROM shelf_items ORDER BY quantity DESC LIMIT 1');
        $port = self::one('SELECT id FROM serial_ports WHERE active = 1 LIMIT 1');
        $profile = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/database/demo/machines/dunlin-8.json'), true);
        $id = static fn (): string => Ulid::generate();
        $at = gmdate('Y-m-d\TH:i:s\Z');
        $source = $id();
        $named = 'twice-'.strtolower(substr($id(), -8));
        $meter = ['name' => $named, 'host' => '127.0.0.1', 'port' => 9001, 'reading_pct' => 0.1, 'counts' => 3, 'resolution_v' => 0.001];

        return [
            '/jobs' => ['/jobs', ['id' => $id(), 'machine' => $machine, 'board' => $board, 'title' => $named, 'owner' => 'X', 'at' => $at], 'jobs'],
            '/intake' => ['/intake', ['id' => $id(), 'at' => $at, 'name' => "Stranger {$named}", 'symptom' => 'dark'], 'machines'],
            '/jobs/{job}/entries' => ["/jobs/{$job}/entries", ['id' => $id(), 'at' => $at, 'line' => 'note sent eight times'], 'entries'],
            '/jobs/{job}/rail-runs' => ["/jobs/{$job}/rail-runs", ['id' => $id()], 'runs'],
            '/jobs/{job}/memory-sources' => ["/jobs/{$job}/memory-sources", ['id' => $source, 'map' => 'main', 'text' => '0011 FF FB'], 'memory_sources'],
            '/memory-sources/{source}/lines' => [
                "/memory-sources/{$source}/lines", ['id' => $id(), 'line' => 'ALL IS WELL', 'sort' => 'chatter'], 'line_patterns',
            ],
            '/machines/{machine}/lines' => ["/machines/{$machine}/lines", ['format' => 'ash-bench/dialect/1', 'lines' => [
                ['example' => 'READY', 'pattern' => ['sort' => 'chatter', 'tokens' => [['word' => 'ready']]]],
            ]], 'line_patterns'],
            '/jobs/{job}/captures' => ["/jobs/{$job}/captures", ['id' => $id(), 'map' => 'main', 'port' => $port], 'memory_sources'],
            '/jobs/{job}/report-links' => ["/jobs/{$job}/report-links", ['id' => $id(), 'days' => 3], 'report_links'],
            '/shelf' => ['/shelf', ['id' => $id(), 'sku' => $named, 'name' => $named, 'place' => 'drawer 1', 'quantity' => 2], 'shelf_items'],
            '/shelf/{item}/moves' => ["/shelf/{$item}/moves", ['id' => $id(), 'change' => 1], 'shelf_moves'],
            '/shelf/{item}/reservations' => ["/shelf/{$item}/reservations", ['id' => $id(), 'job' => $job, 'quantity' => 1], 'shelf_reservations'],
            '/people' => [
                '/people', ['name' => $named, 'email' => "{$named}@twice.example", 'role' => 'viewer', 'password' => 'correct-horse-battery'],
                'people',
            ],
            '/meters' => ['/meters', $meter, 'meters'],
            '/serial-ports' => ['/serial-ports', ['name' => $named, 'host' => '127.0.0.1', 'port' => 9002], 'serial_ports'],
            '/library' => ['/library?why=twice', ['format' => 'ash-bench/symptom-library/1', 'symptoms' => [[
                'id' => preg_replace('/[^a-z0-9]+/', '', strtolower($named)), 'name' => $named, 'first' => 'Look.',
                'causes' => [['id' => 'x', 'weight' => 1, 'shows' => 'x']], 'tests' => [],
            ]]], 'library_revisions'],
            '/machines' => ['/machines', [...(is_array($profile) ? $profile : []), 'slug' => $named, 'name' => $named], 'machines'],
            '/boards/import' => ['/boards/import', self::foreign($board), 'boards'],
        ];
    }

    /** @return array<string, mixed> the record of a board as another workshop's */
    private static function foreign(string $board): array
    {
        $profile = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/database/demo/machines/curlew-16.json'), true);
        $job = Ulid::generate();
        $shared = ['job' => $job, 'stage' => 'find', 'author' => 'Somebody', 'minutes' => 0, 'text' => 'seen', 'corrects' => null, 'meter' => null];

        return [
            'format' => 'ash-bench/board-record/1', 'machine' => $profile, 'board' => ['id' => Ulid::generate(), 'slot' => 'memory'], 'runs' => [],
            'jobs' => [[
                'id' => $job, 'board_slot' => 'memory', 'title' => 'Elsewhere', 'owner' => 'Somebody', 'allowance_minutes' => 60,
                'opened_at' => '2026-03-01T09:00:00.000Z',
            ]],
            'entries' => array_map(static fn (int $n): array => [
                ...$shared, 'id' => Ulid::generate(), 'kind' => 'observation', 'at' => "2026-03-01T09:0{$n}:00.000Z", 'data' => new \stdClass(),
            ], range(1, 5)),
        ];
    }

    public function test_every_creating_route_is_in_the_list(): void
    {
        $this->chrome->go('/');
        $description = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/docs/openapi.json'), true);
        self::assertIsArray($description);
        $posted = array_keys(array_filter($description['paths'], static fn (array $operations): bool => isset($operations['post'])));
        self::assertSame([], array_values(array_diff($posted, self::NOTHING, array_keys(self::creating()))));
    }

    public function test_eight_clients_at_once_make_one_row_and_each_is_answered(): void
    {
        $this->chrome->go('/');
        $client = Client::signedIn(self::environment('ASH_URL'), self::environment('ASH_VAR'), 'ines');
        foreach (self::creating() as $route => [$address, $body, $table]) {
            $before = (int) self::one("SELECT COUNT(*) FROM {$table}");
            $answers = $client->together(array_fill(0, self::CLIENTS, ["/api{$address}", $body]));
            $codes = array_column($answers, 0);
            self::assertSame([], array_values(array_diff($codes, [200, 201])), "{$route}: ".json_encode($answers));
            $new = $route === '/boards/import' ? (int) self::one('SELECT COUNT(*) FROM boards WHERE id = ?', strtolower($body['board']['id'])) : 1;
            $made = (int) self::one("SELECT COUNT(*) FROM {$table}") - $before;
            self::assertSame([1, true], [$new, $route === '/boards/import' || $made === 1], "{$route} made {$made} rows");
            if ($route === '/boards/import') {
                self::assertSame('5', self::one('SELECT COUNT(*) FROM entries WHERE job_id = ?', $body['jobs'][0]['id']));
                self::assertSame(5, array_sum(array_map(static fn (array $it): int => (int) (json_decode($it[1], true)['entries'] ?? 0), $answers)));
            }
            if ($route === '/jobs/{job}/memory-sources') {
                [$again] = $client->together([["/api{$address}", $body]]);
                self::assertStringContainsString('0011 FF FB', $again[1], 'its text is still there');
            }
        }
    }

    public function test_a_port_is_listened_to_once(): void
    {
        $this->chrome->go('/');
        $client = Client::signedIn(self::environment('ASH_URL'), self::environment('ASH_VAR'));
        $job = self::one(self::JOB);
        $port = self::one('SELECT id FROM serial_ports WHERE active = 1 LIMIT 1');
        foreach (self::rows("SELECT id FROM memory_sources WHERE state IN ('running', 'silent')") as $row) {
            $client->together([["/api/memory-sources/{$row['id']}/stop", []]]);
        }
        $answers = $client->together(array_map(
            static fn (): array => ["/api/jobs/{$job}/captures", ['id' => Ulid::generate(), 'map' => 'main', 'port' => $port]],
            range(1, self::CLIENTS),
        ));
        $codes = array_column($answers, 0);
        sort($codes);
        self::assertSame([201, ...array_fill(0, self::CLIENTS - 1, 409)], $codes, (string) json_encode($answers));
        foreach (self::rows("SELECT id FROM memory_sources WHERE state IN ('running', 'silent')") as $row) {
            $client->together([["/api/memory-sources/{$row['id']}/stop", []]]);
        }
    }
}
