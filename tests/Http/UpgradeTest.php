<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Job;
use App\People\Role;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * A bench of before there were kinds, with its description in the machine, is brought up to now: the export of before and after agree to
 * the letter, also when the migration was cut off half way and goes on.
 */
final class UpgradeTest extends TestCase
{
    /** The first migration after the bench of then. */
    private const SINCE = '2026_07';
    private const NOT_OF_THE_RECORD = ['migrations', 'sessions', 'cache', 'cache_locks', 'people'];

    /** @return list<string> of the database at hand */
    private static function tables(): array
    {
        return array_values(Schema::getTableListing([DB::getDatabaseName()], false));
    }

    private function storied(): Job
    {
        $job = $this->job();
        foreach ([
            'symptom stops in the cold', 'saw a brown ring under R14 4 min', 'C12 1000u 16V bulged +12', 'leak R14 trace 3 12 mm signal',
            'bat nicd 3 leaking', 'replaced C52 2200u 16V -> 2200u 25V from shelf dc 2417 25 min', 'temp bridged F2',
            'waiting for a fuse asked of the stores', 'here C12 is 2200u', 'tried supply, board, card 1 as graphics: dark',
        ] as $line) {
            $this->line($job, $line);
        }
        $run = $this->railRun($job);
        $this->reading($job, $run, '+12', 'regulator U52 out', 10.9, more: ['ripple_mvpp' => 300])->assertCreated();
        $wrong = self::text($this->reading($job, $run, '+5', 'connector J1 pin 3', 4.78)->json('entry.id'));
        $this->add($job, ['kind' => 'withdrawn', 'text' => 'probe was on pin 4', 'corrects' => $wrong])->assertCreated();

        return $job->refresh();
    }

    public function test_an_export_before_and_after_agrees_entry_for_entry(): void
    {
        $job = $this->storied();
        $other = $this->job('curlew-16', 'cpu');
        $this->line($other, 'saw nothing yet');
        $export = fn (string $board): string => self::file($this->as(Role::Viewer)->get("/boards/{$board}/record.json")->assertOk());
        $before = [$export($job->board_id), $export($other->board_id)];
        $sheets = [$job->sheet, $other->refresh()->sheet];
        $rows = [];
        foreach (self::tables() as $table) {
            in_array($table, self::NOT_OF_THE_RECORD, true)
                || $rows[$table] = array_map(static fn (object $it): array => (array) $it, DB::table($table)->get()->all());
        }
        $kinds = array_column($rows['kinds'], null, 'id');

        DB::purge('mariadb');
        config(['database.connections.mariadb.database' => 'ash_bench_elsewhere']);
        Artisan::call('db:wipe', ['--force' => true]);
        $then = array_filter(glob(database_path('migrations/*.php')) ?: [], static fn (string $it): bool => basename($it) < self::SINCE);
        Artisan::call('migrate', ['--force' => true, '--realpath' => true, '--path' => array_values($then)]);
        self::assertFalse(Schema::hasTable('kinds'));
        DB::statement('SET FOREIGN_KEY_CHECKS = 0');
        foreach (self::tables() as $table) {
            $columns = array_fill_keys(array_column(array_filter(
                Schema::getColumns($table), static fn (array $it): bool => $it['generation'] === null,
            ), 'name'), true);
            foreach ($table === 'machine_profiles' ? [] : $rows[$table] ?? [] as $row) {
                if ($table === 'machines') {
                    // As it was: the description in the machine, every revision beside it.
                    $kind = (array) $kinds[$row['kind_id']];
                    $row += ['kind' => $kind['words'], 'profile' => $kind['profile'], 'revision' => $kind['revision']];
                    foreach (array_filter($rows['kind_profiles'], static fn (array $it): bool => $it['kind_id'] === $row['kind_id']) as $it) {
                        DB::table('machine_profiles')->insert([
                            'machine_id' => $row['id'], 'revision' => $it['revision'], 'profile' => $it['profile'], 'author' => $it['author'],
                            'created_at' => $it['created_at'],
                        ]);
                    }
                }
                DB::table($table)->insert(array_intersect_key($row, $columns));
            }
        }
        DB::statement('SET FOREIGN_KEY_CHECKS = 1');
        $entries = static fn (): array => array_map(static fn (object $it): array => array_map(strval(...), (array) $it), DB::table('entries')->orderBy('id')
            ->get(['id', 'job_id', 'board_id', 'kind', 'at', 'author', 'minutes', 'text', 'data', 'corrects_id', 'fingerprint'])->all());
        $record = $entries();
        self::assertGreaterThan(12, count($record));

        // It was cut off while kinds were made: some are there, the tables of before too.
        $first = require database_path('migrations/2026_07_01_000000_add_kinds.php');
        $profiles = DB::table('machine_profiles')->count();
        Schema::rename('machine_profiles', 'put_aside');
        $first->up();
        Schema::rename('put_aside', 'machine_profiles');
        Schema::table('machines', static function ($table): void {
            $table->string('kind', 120)->default('');
            $table->longText('profile')->nullable();
            $table->unsignedInteger('revision')->default(1);
        });
        foreach ($rows['machines'] as $row) {
            $kind = (array) $kinds[$row['kind_id']];
            DB::table('machines')->where('id', $row['id'])->update(['kind' => $kind['words'], 'profile' => $kind['profile'], 'revision' => $kind['revision']]);
        }
        Artisan::call('migrate', ['--force' => true]);

        self::assertSame($record, $entries(), 'no entry was touched');
        self::assertSame($profiles, DB::table('kind_profiles')->count(), 'every description there ever was is kept');
        self::assertSame(count($rows['machines']), DB::table('machines')->whereNotNull('kind_id')->count());
        self::assertSame($before, [$export($job->board_id), $export($other->board_id)], 'an export before and after agrees to the letter');
        self::assertEquals($sheets, [Job::query()->findOrFail($job->id)->sheet, Job::query()->findOrFail($other->id)->sheet]);
        // And work goes on.
        $this->line(Job::query()->findOrFail($job->id), 'saw it after the upgrade');
        self::assertSame(count($record) + 1, DB::table('entries')->count());
    }

    protected function tearDown(): void
    {
        DB::purge('mariadb');
        parent::tearDown();
    }
}
