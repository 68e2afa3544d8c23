<?php

declare(strict_types=1);

namespace Tests\Http;

use App\DescribeApi;
use App\Logbook\Board;
use App\Logbook\Job;
use App\Logbook\Machine;
use App\People\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;

/** Open formats, out and in. */
final class FormatsTest extends TestCase
{
    private static function profile(): string
    {
        return (string) file_get_contents(base_path('database/demo/machines/dunlin-8.json'));
    }

    private function send(string $method, string $address, string $body, array $headers = []): \Illuminate\Testing\TestResponse
    {
        return $this->as(Role::Technician)->call(
            $method,
            $address,
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', ...$headers],
            content: $body,
        );
    }

    public function test_a_profile_comes_back_to_the_letter(): void
    {
        $id = self::text($this->send('POST', '/api/machines', self::profile())->assertCreated()->json('id'));
        $out = $this->as(Role::Viewer)->get("/machines/{$id}/profile.json")->assertOk();
        self::assertSame(self::profile(), $out->getContent());
        self::assertStringContainsString('attachment', (string) $out->headers->get('Content-Disposition'));
        self::assertSame($id, $this->send('POST', '/api/machines', self::profile())->assertCreated()->json('id'), 'sent twice is one');
        self::assertRefused($this->send('POST', '/api/machines', self::profile()."\n"), '/slug', 'already');
    }

    public function test_a_profile_is_edited_by_revision_and_every_revision_is_kept(): void
    {
        $machine = self::machine();
        $changed = str_replace('Dunlin 8 dome controller', 'Dunlin 8, east dome', self::profile());
        $this->send('PUT', "/api/machines/{$machine->id}/profile", $changed, ['HTTP_IF_MATCH' => '"1"'])->assertOk()->assertJsonPath('revision', 2);
        self::assertRefused($this->send('PUT', "/api/machines/{$machine->id}/profile", $changed, ['HTTP_IF_MATCH' => '"1"']), '', 'someone else changed', 409);
        self::assertRefused(
            $this->send('PUT', "/api/machines/{$machine->id}/profile", str_replace('"dunlin-8"', '"dunlin-9"', $changed)),
            '/slug',
            'must stay',
        );
        self::assertSame(
            [self::profile(), $changed],
            DB::table('kind_profiles')->where('kind_id', $machine->kind_id)->orderBy('revision')->pluck('profile')->all(),
        );
    }

    public function test_a_bad_profile_is_refused_whole_with_the_place_of_each_fault(): void
    {
        $document = json_decode(self::profile(), true);
        self::assertIsArray($document);
        $document['slug'] = 'Not A Slug';
        $document['rails'][0]['nominal_v'] = 'five';
        $document['rails'][1]['colour'] = 'red';
        unset($document['boards']);
        $errors = (array) $this->send('POST', '/api/machines', (string) json_encode($document))->assertStatus(422)->json('errors');
        $pointers = array_column($errors, 'pointer');
        foreach (['', '/slug', '/rails/0/nominal_v', '/rails/1'] as $pointer) {
            self::assertContains($pointer, $pointers, (string) json_encode($errors));
        }
        self::assertSame(0, Machine::query()->count());
        self::assertRefused(
            $this->send('POST', '/api/machines', str_replace('"nominal_v": 5', '"nominal_v": 0', self::profile())),
            '/rails/1/nominal_v',
            'must not be 0',
        );
        self::assertSame(0, Machine::query()->count() + Board::query()->count());
    }

    /** Another installation: a database of its own with nothing in it. */
    private function elsewhere(): void
    {
        DB::purge('mariadb');
        config(['database.connections.mariadb.database' => 'ash_bench_elsewhere']);
        \Illuminate\Support\Facades\Artisan::call('migrate:fresh', ['--force' => true]);
    }

    /** A board with a bit of everything in its record. */
    private function storied(): Job
    {
        $job = $this->job();
        $this->line($job, 'symptom stops in the cold');
        $run = $this->railRun($job);
        $this->reading($job, $run, '+12', 'regulator U52 out', 10.9, more: ['ripple_mvpp' => 300])->assertCreated();
        $wrong = self::text($this->reading($job, $run, '+5', 'connector J1 pin 3', 4.78)->json('entry.id'));
        $this->reading($job, $run, '+5', 'connector J1 pin 3', '4,87', more: [])->assertCreated();
        $this->add($job, ['kind' => 'withdrawn', 'text' => 'probe was on pin 4', 'corrects' => $wrong])->assertCreated();
        $this->line($job, 'replaced C52 2200u 16V -> 2200u 25V from shelf dc 2417 25 min');
        $this->line($job, 'temp bridged F2');
        $this->line($job, 'waiting for a fuse asked of the stores');
        $this->railRun($job, $run);
        $source = self::ulid();
        $this->postJson(
            "/api/jobs/{$job->id}/memory-sources",
            ['id' => $source, 'map' => 'main', 'text' => "0011 FF FB\n0123 FF FB\n1ABC FF FB"],
        )->assertCreated();
        $memory = self::text($this->add($job, ['kind' => 'memory', 'data' => ['source' => $source]])->assertCreated()->json('entry.id'));
        $this->add($job, ['kind' => 'swap', 'data' => ['run' => $memory, 'from' => 'U32', 'to' => 'U31']])->assertCreated();
        $this->add($job, ['kind' => 'soak', 'data' => ['passes' => 3, 'errors' => 0]])->assertCreated();
        $this->add($job, ['kind' => 'date_codes', 'data' => ['map' => 'main', 'codes' => 'U30 8213']])->assertCreated();

        return $job->refresh();
    }

    public function test_a_board_record_goes_out_and_comes_in_as_the_same_record(): void
    {
        $job = $this->storied();
        $out = self::file($this->as(Role::Viewer)->get("/boards/{$job->board_id}/record.json")->assertOk());
        $valid = (new Validator())->validate(json_decode($out), (string) file_get_contents(base_path('docs/formats/board-record.schema.json')));
        self::assertTrue($valid->isValid());
        $same = $this->send('POST', '/api/boards/import', $out)->assertCreated();
        self::assertSame(0, $same->json('entries'), 'what is there already is not stored again');

        $sheet = $job->sheet;
        $this->elsewhere();
        $board = self::text($this->send('POST', '/api/boards/import', $out)->assertCreated()->json('id'));
        $again = self::file($this->as(Role::Viewer)->get("/boards/{$board}/record.json"));
        self::assertSame([$job->board_id, $out], [$board, $again], 'the same specimen, the same signature');
        self::assertStringStartsWith('imported, as it was written by ', self::text($this->getJson("/api/jobs/{$job->id}")->json('entries.0.author')));
        $brought = Job::query()->where('id', $job->id)->firstOrFail();
        self::assertEquals($sheet, $brought->sheet, 'the head of the job follows from the record alone');
        self::assertSame($job->minutes, $brought->minutes);
        $this
            ->as(Role::Viewer)
            ->getJson("/api/jobs/{$job->id}/memory")
            ->assertOk()
            ->assertJsonPath('run.located.suspects.0.called', 'chip U32')
            ->assertJsonPath('pending.to', 'U31');
    }

    /** @return array<string, array{string, string, string}> search, replace, pointer */
    public static function spoiled(): array
    {
        return [
            'another format' => ['ash-bench/board-record/1', 'ash-bench/board-record/9', '/format'],
            'a kind longer than any' => ['"kind": "hazard"', '"kind": "hazardhazardhazardhaz"', '/entries/7/kind'],
            'a time without offset' => ['"opened_at": "2026-03-01T09:00:00.000Z"', '"opened_at": "2026-03-01T09:00:00"', '/jobs/0/opened_at'],
            'a number as a word' => ['"volts": 10.9', '"volts": "10.9"', '/entries/1/data/volts'],
            'a bad machine inside' => ['"nominal_v": 12', '"nominal_v": 0', '/machine/rails/2/nominal_v'],
        ];
    }

    #[DataProvider('spoiled')]
    public function test_a_bad_record_is_refused_whole(string $search, string $replace, string $pointer): void
    {
        $job = $this->storied();
        $out = self::file($this->as(Role::Viewer)->get("/boards/{$job->board_id}/record.json"));
        self::assertStringContainsString($search, $out);
        $before = DB::table('entries')->count();
        $response = $this->send('POST', '/api/boards/import', (string) preg_replace('/'.preg_quote($search, '/').'/', $replace, $out, 1));
        $response->assertStatus(422);
        self::assertContains($pointer, array_column((array) $response->json('errors'), 'pointer'), (string) $response->getContent());
        self::assertSame($before, DB::table('entries')->count());
    }

    public function test_an_entry_that_differs_from_the_one_that_is_there_is_a_conflict(): void
    {
        $job = $this->storied();
        $out = self::file($this->as(Role::Viewer)->get("/boards/{$job->board_id}/record.json"));
        self::assertRefused($this->send('POST', '/api/boards/import', str_replace('bridged F2', 'bridged F3', $out)), '/entries/7/id', 'another entry', 409);
    }

    public function test_readings_leave_as_rfc_4180_with_formulas_disarmed(): void
    {
        $job = $this->storied();
        DB::table('readings')->where('rail', '+12')->update(['test_point' => '=HYPERLINK("x"),"quoted"']);
        $csv = (string) $this->as(Role::Viewer)->get("/boards/{$job->board_id}/readings.csv")->assertOk()->streamedContent();
        self::assertStringEndsWith("\r\n", $csv);
        self::assertSame(4, substr_count($csv, "\r\n"));
        $file = new \SplTempFileObject();
        $file->fwrite($csv);
        $file->setFlags(\SplFileObject::READ_CSV);
        $file->setCsvControl(',', '"', '');
        $rows = array_map(static fn (mixed $row): array => (array) $row, iterator_to_array($file, false));
        self::assertSame(['at', 'job', 'rail', 'test_point'], array_slice($rows[0], 0, 4));
        self::assertSame(["'+12", '\'=HYPERLINK("x"),"quoted"', '10.9', 'out'], [$rows[1][2], $rows[1][3], $rows[1][5], $rows[1][11]]);
        self::assertSame(['yes', 'no'], [$rows[2][12], $rows[3][12]]);
        foreach (['=1', '+1', '-1', '@x', "\tx", "\rx"] as $cell) {
            self::assertStringStartsWith("'", \App\Bench\Csv::safe($cell));
        }
        self::assertSame('plain', \App\Bench\Csv::safe('plain'));
    }

    public function test_the_description_of_the_api_is_the_codes_and_names_every_route(): void
    {
        self::assertSame(DescribeApi::document(), (string) file_get_contents(base_path('docs/openapi.json')), 'run: php artisan ash:openapi');
        $served = $this->get('/api/openapi.json')->assertOk();
        self::assertInstanceOf(\Symfony\Component\HttpFoundation\BinaryFileResponse::class, $served->baseResponse);
        $paths = json_decode(DescribeApi::document(), true)['paths'] ?? [];
        self::assertIsArray($paths);
        foreach (Route::getRoutes()->getRoutes() as $route) {
            $path = (string) preg_replace('#^api#', '', $route->uri());
            if (str_starts_with($route->uri(), 'api/') && $path !== '/openapi.json') {
                self::assertArrayHasKey(strtolower($route->methods()[0]), (array) ($paths[$path] ?? []), "{$route->methods()[0]} {$path}");
            }
        }
    }

    public function test_the_api_computes_what_bin_ash_computes(): void
    {
        $document = '{"rails": [{"name": "+12", "nominal_v": 12, "ripple_max_mvpp": 120}], "meter": {"reading_pct": 0.5, "counts": 2, '
            .'"resolution_v": 0.01}, "readings": [{"rail": "+12", "volts": 10.8, "load": "working", "ripple_mvpp": 310}]}';
        $file = tempnam(sys_get_temp_dir(), 'ash') ?: '';
        file_put_contents($file, $document);
        self::assertSame(
            json_decode((string) shell_exec(base_path('bin/ash')." rails judge {$file}"), true),
            $this->send('POST', '/api/compute/rails/judge', $document)->assertOk()->json(),
        );
        unlink($file);
        self::assertRefused($this->send('POST', '/api/compute/rails/judge', str_replace('10.8', '"x"', $document)), '/readings/0/volts');
        $this->send('POST', '/api/compute/rails/weigh', '{}')->assertStatus(404);
    }
}
