<?php

declare(strict_types=1);

namespace Tests\Http;

use App\People\Role;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\Bench\Plans;

/**
 * What the database does for every page that can be read, over 50 000 entries, 5 000 jobs and boards and 5 000 parts on the shelf: no table that
 * grows is read whole, and no more rows are sorted than a page or two shows.
 */
final class PlansTest extends TestCase
{
    use EveryRoute;

    /** A database of its own, in which statistics can be taken. */
    protected array $connectionsToTransact = [];

    protected function setUp(): void
    {
        parent::setUp();
        DB::purge('mariadb');
        config(['database.connections.mariadb.database' => 'ash_bench_elsewhere', 'session.driver' => 'array']);
        Artisan::call('migrate:fresh', ['--force' => true]);
    }

    protected function tearDown(): void
    {
        DB::purge('mariadb');
        parent::tearDown();
    }

    private function fill(): void
    {
        $job = $this->job();
        $kind = "(SELECT kind_id FROM machines WHERE id = '{$job->machine_id}')";
        $id = static fn (string $mark, string $n = 'seq'): string => "CONCAT('00{$mark}', LPAD({$n}, 23, '0'))";
        foreach ([
            "INSERT INTO machines (id, slug, name, kind_id, serial, owner, created_at, updated_at)
                SELECT {$id('m')}, CONCAT('bulk-', seq), CONCAT('Bulk ', seq % 50), {$kind}, CONCAT('S', seq), CONCAT('Owner ', seq % 300), NOW(),
                  NOW() FROM seq_1_to_5000",
            "INSERT INTO boards (id, machine_id, slot, name, created_at, updated_at) SELECT {$id('d')}, {$id('m')}, 'main', 'Main board', "
                .'NOW(), NOW() FROM seq_1_to_5000',
            "INSERT INTO jobs (id, machine_id, board_id, title, owner, state, stage, outcome, handed_back, minutes, allowance_minutes, opened_at,
              closed_at, last_entry_at, sheet)
                SELECT {$id('j')}, {$id('m')}, {$id('d')}, CONCAT('Job ', seq), 'x', IF(seq % 400 = 0, 'open', 'closed'), 'close', IF(seq % 400 = 0,
                  NULL, 'fixed'), 1, 1, 480,
                    DATE_ADD('2005-01-01', INTERVAL seq HOUR), DATE_ADD('2005-01-02', INTERVAL seq HOUR), DATE_ADD('2005-01-02', INTERVAL seq HOUR),
                    (SELECT sheet FROM jobs WHERE id = '{$job->id}') FROM seq_1_to_5000",
            "INSERT INTO entries (id, job_id, board_id, kind, stage, at, author, minutes, text, data, fingerprint, received_at)
                SELECT CONCAT('00E', LPAD(seq, 23, '0')), IF(seq % 5 = 0, '{$job->id}', {$id('j', '1 + seq % 5000')}), IF(seq % 5 = 0,
                  '{$job->board_id}', {$id('d', '1 + seq % 5000')}),
                    'observation', 'find', DATE_ADD('2005-01-01', INTERVAL seq MINUTE), 'Someone', 1, CONCAT('saw it ', seq), '{}', REPEAT('0', 64),
                      NOW() FROM seq_1_to_50000",
            "INSERT INTO open_items (id, job_id, board_id, kind, text, since, open)
                SELECT {$id('o')}, {$id('j')}, {$id('d')}, IF(seq % 2, 'waiting', 'hazard'), 'long ago', '2005-01-01', IF(seq % 500 = 0, 1,
                  0) FROM seq_1_to_5000",
            "INSERT INTO shelf_items (id, sku, name, kind, marked_f, rated_v, spec, quantity, place, tested, came_on)
                SELECT {$id('s')}, CONCAT('BULK-', seq), CONCAT('Part ', seq), 'aluminium', 1e-6 * (1 + seq % 40), 16 + seq % 4, '{}', seq % 7,
                  'drawer', 0, '2026-01-01' FROM seq_1_to_5000",
        ] as $sql) {
            DB::statement($sql);
        }
        DB::select('ANALYZE TABLE '.implode(', ', Plans::GROWS));
    }

    public function test_no_page_reads_a_growing_table_whole_or_sorts_more_than_it_shows(): void
    {
        $routes = $this->routes();
        $this->fill();
        /** @var array<string, array{list<mixed>, string}> $asked */
        $asked = [];
        $address = '';
        DB::listen(static function (QueryExecuted $query) use (&$asked, &$address): void {
            if (preg_match('/^select /i', $query->sql) === 1) {
                $asked[$query->sql] ??= [array_values($query->bindings), $address];
            }
        });
        foreach ([
            ...array_column(array_filter($routes, static fn (array $it): bool => $it[0] === 'GET'), 1),
            '/api/machines?search=S47',
            '/api/boards?search=owner 7',
            '/api/jobs?state=closed',
        ] as $address) {
            $this->as(Role::Lead)->get($address);
        }
        self::assertGreaterThan(100, count($asked));
        $explained = static fn (string $sql, array $bindings = []): string => (string) array_values(get_object_vars(
            (object) DB::select("ANALYZE FORMAT=JSON {$sql}", $bindings)[0],
        ))[0];
        $wrong = [];
        foreach ($asked as $sql => [$bindings, $address]) {
            foreach (Plans::of($sql, static fn (): string => $explained($sql, $bindings)) as $fault) {
                $wrong[] = "{$address}: {$fault}";
            }
        }
        self::assertSame([], $wrong);
        // The test itself notices: what no index answers is found.
        $whole = "select * from entries where text = 'x' order by author limit 1";
        self::assertNotSame([], Plans::of($whole, static fn (): string => $explained($whole)));
    }
}
