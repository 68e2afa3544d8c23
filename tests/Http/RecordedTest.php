<?php

declare(strict_types=1);

namespace Tests\Http;

use App\People\Person;
use App\People\Role;
use Database\Seeders\DemoSeeder;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route as Routes;
use Illuminate\Support\Facades\Schema;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/**
 * What every reading route answers over the demo, and what a long list of requests is answered, as recorded. A change on purpose is
 * recorded anew with ASH_RECORD=1 bin/test http --filter RecordedTest, and the difference is read.
 */
final class RecordedTest extends TestCase
{
    private const ASKED = __DIR__.'/Recorded/asked.txt';
    private const ANSWERED = __DIR__.'/Recorded/answered.txt';
    /** Conversations, divided by "=", each asked of the untouched demo and undone after it. */
    private const ALONE = __DIR__.'/Recorded/alone.txt';
    private const ANSWERED_ALONE = __DIR__.'/Recorded/answered-alone.txt';
    /** Columns whose content is made by chance, or is the content of another. */
    private const BY_CHANCE = ['fingerprint', 'sha256', 'password', 'remember_token', 'calendar_hash', 'slug'];
    /** Routes whose answer is another thing each time: a device, bytes of a PDF, a sheet of the browser, a page of the framework. */
    private const NOT_RECORDED = ['shell-worker.js',
        'api/openapi.json', 'api/meters/{meter}/scene', 'api/serial-ports/{port}/scene', 'sanctum/csrf-cookie', 'up', '{screen?}', 'jobs/{job}/report.pdf',
        'calendar/{secret}.ics', 'owner-report/{link}', 'photos/{photo}', 'photos/{photo}/thumbnail', 'shopping.csv', 'api/jobs/{job}/substitutes',
    ];
    /** Jobs whose every page is recorded: the long one, memory, rails, capacitors. */
    private const WHOLE = [2, 5, 10, 11];

    /** @var array<string, list<string>> */
    private array $ids = [];

    /** @var array<string, string> */
    private array $names = [];

    /** The last document that was asked for, which {said#this#that} sends back with this replaced by that. */
    private string $said = '';

    public function test_every_answer_is_as_recorded(): void
    {
        $this->travelTo('2026-11-28T12:00:00Z');
        config(['app.disk_free' => 9e12]);
        $people = [];
        foreach (['ines' => Role::Lead, 'tomas' => Role::Technician, 'bea' => Role::Technician] as $name => $role) {
            $people[$name] = Person::query()->create(
                ['name' => ucfirst($name), 'email' => "{$name}@demo.example", 'password' => 'x', 'role' => $role, 'active' => true],
            );
        }
        array_map(self::person(...), Role::cases());
        DemoSeeder::fill($people, self::meter(8041), self::meter(8042));
        foreach ([
            'job' => 'SELECT id FROM jobs ORDER BY opened_at',
            'board' => 'SELECT id FROM boards ORDER BY machine_id, id',
            'machine' => 'SELECT id FROM machines ORDER BY slug',
            'run' => 'SELECT id FROM runs ORDER BY id',
            'item' => 'SELECT id FROM shelf_items ORDER BY sku',
            'source' => 'SELECT id FROM memory_sources ORDER BY id',
            'person' => 'SELECT id FROM people ORDER BY id',
            'meter' => 'SELECT id FROM meters ORDER BY id',
            'kind' => 'SELECT id FROM kinds ORDER BY slug',
        ] as $name => $query) {
            $this->ids[$name] = array_map(self::text(...), array_column(DB::select($query), 'id'));
        }
        self::assertRecorded($this->alone(), self::ANSWERED_ALONE);
        $answered = [];
        foreach ([...$this->reads(), ...$this->asked(self::ASKED)] as $request) {
            $answered[] = "{$request}\n{$this->answer($request)}";
        }
        self::assertRecorded($answered, self::ANSWERED);
    }

    /** @param list<string> $answered */
    private static function assertRecorded(array $answered, string $file): void
    {
        if (getenv('ASH_RECORD') === '1') {
            file_put_contents($file, implode("\n\n", $answered)."\n");
        }
        $recorded = explode("\n\n", trim((string) file_get_contents($file)));
        foreach ($answered as $n => $answer) {
            $from = max(0, strspn($answer ^ ($recorded[$n] ?? ''), "\0") - 80);
            self::assertSame(substr($recorded[$n] ?? '', $from, 160), substr($answer, $from, 160), explode("\n", $answer)[0]);
        }
        self::assertCount(count($recorded), $answered);
    }

    /** @return list<string> every reading route there is, asked from the router */
    private function reads(): array
    {
        $found = [];
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            if (!in_array('GET', $route->methods(), true) || in_array($route->uri(), self::NOT_RECORDED, true)) {
                continue;
            }
            $name = preg_match('/\{(\w+)\}/', $route->uri(), $m) === 1 ? $m[1] : null;
            $which = match ($name) {
                null => [0], 'job' => self::WHOLE, default => array_keys(array_slice($this->ids[$name] ?? [], 0, 3)),
            };
            foreach ($which as $n) {
                $found[] = 'lead GET /'.preg_replace('/\{(\w+)\}/', '{$1.'.($name === 'job' ? $n : $n + 1).'}', $route->uri());
            }
        }
        sort($found);
        self::assertGreaterThan(60, count($found));

        return $found;
    }

    /** @return list<string> */
    private function asked(string $file): array
    {
        return array_values(array_filter(file($file, FILE_IGNORE_NEW_LINES) ?: [], static fn (string $it): bool => $it !== '' && $it[0] !== '#'));
    }

    /** @return list<string> what each conversation is answered, in short, and how many rows of which tables are new or others after it */
    private function alone(): array
    {
        $said = [];
        $before = self::rows();
        foreach (explode("\n=\n", implode("\n", $this->asked(self::ALONE))) as $conversation) {
            $this->names = [];
            DB::beginTransaction();
            $answers = array_map(
                fn (string $it): string => mb_strimwidth($it, 0, 100, '…')."\n   ".self::short($this->answer($it)),
                explode("\n", $conversation),
            );
            $rows = [];
            foreach (array_diff_key(self::rows(), $before) as $row => $table) {
                $rows[$table][] = preg_replace('/(?<="number":)\d+/', '~', $this->named($row));
            }
            DB::rollBack();
            $said[] = implode("\n", [...$answers, ...array_map(
                static fn (string $table, array $rows): string => sprintf('%s: %d %s', $table, count($rows), self::mark(implode("\n", $rows))),
                array_keys($rows),
                $rows,
            )]);
        }
        $this->names = [];

        return $said;
    }

    /** @return array<string, string> every row of the record to its table, but for what is made by chance */
    private static function rows(): array
    {
        $all = [];
        foreach (array_diff(array_column(Schema::getTables(), 'name'), ['migrations', 'sessions', 'cache', 'cache_locks', 'queued']) as $table) {
            foreach (DB::table($table)->get() as $row) {
                $fields = array_diff_key(get_object_vars($row), array_flip(self::BY_CHANCE));
                $all[(string) json_encode(is_int($row->id ?? null) ? [...$fields, 'id' => 0] : $fields)] = $table;
            }
        }

        return $all;
    }

    /** A long answer by a mark for each of its fields, so that a difference says where it lies. */
    private static function short(string $answer): string
    {
        $fields = strlen($answer) < 400 ? null : json_decode(substr($answer, 4), true);
        if (!is_array($fields)) {
            return mb_strimwidth($answer, 0, 300, '…').(strlen($answer) < 300 ? '' : self::mark($answer));
        }
        $marked = array_map(static function (mixed $it): mixed {
            $text = (string) json_encode($it);

            return strlen($text) < 24 ? $it : self::mark($text);
        }, $fields);

        return substr($answer, 0, 4).json_encode($marked, JSON_UNESCAPED_SLASHES);
    }

    private static function mark(string $text): string
    {
        return substr(hash('sha256', $text), 0, 8);
    }

    private function answer(string $request): string
    {
        cache()->flush();
        [$who, $method, $address, $body] = [...explode(' ', $this->filled($request), 4), null];
        $role = ['lead' => Role::Lead, 'tech' => Role::Technician, 'viewer' => Role::Viewer][$who] ?? self::fail($request);
        $this->as($role);
        $response = $method === 'UPLOAD' ? $this->upload($address, (string) $body) : $this->call(
            $method,
            $address,
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: $body,
        );
        $sent = $response->baseResponse;
        $text = match (true) {
            $sent instanceof \Symfony\Component\HttpFoundation\StreamedResponse => $response->streamedContent(),
            $sent instanceof BinaryFileResponse && $sent->headers->get('Content-Type') === 'application/json' => $sent->getFile()->getContent(),
            default => (string) $response->getContent(),
        };
        $this->said = $method === 'GET' && str_ends_with($address, '.json') ? $text : $this->said;
        $chance = ['/-[0-9a-z]{10}(?=-1\b)/', '/data:image[^"]+/', '/signature=\w+/', '/\w{40}(?=\.ics)/',
            '/(?<="next_before":")\w+/', '/(?<="before":")\w+/', '/(?<="photos_before":")\w+/', '/(?<="signature": ")\w+/', '/\b[0-9a-f]{64}\b/'];
        $text = preg_replace('/\n\s*/', "\n", preg_replace($chance, '~', $text) ?? '');

        return "{$response->getStatusCode()} {$this->named(trim((string) $text))}";
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> to a form with a file: a text, or "jpg 60x40" for a picture */
    private function upload(string $address, string $form): TestResponse
    {
        $fields = array_map(self::text(...), (array) json_decode($form, true));
        $fake = UploadedFile::fake();
        $file = array_map(static fn (string $it): UploadedFile => preg_match('/^(jpg|png) (\d+)x(\d+)$/D', $it, $m) === 1
            ? $fake->image("given.{$m[1]}", (int) $m[2], (int) $m[3])
            : $fake->createWithContent('given.txt', $it), array_intersect_key($fields, ['file' => 1]));

        return $this->call('POST', $address, array_diff_key($fields, $file), files: $file, server: ['HTTP_ACCEPT' => 'application/json']);
    }

    private function filled(string $request): string
    {
        $request = (string) preg_replace_callback('/\{said((?:#[^#]*#[^#]*)*)\}$/', function (array $m): string {
            $pairs = array_chunk(array_slice(explode('#', $m[1]), 1), 2);

            return str_replace(array_column($pairs, 0), array_column($pairs, 1), $this->said);
        }, $request);

        return (string) preg_replace_callback('/\{(\w+)\.(\w+)\}/', function (array $m): string {
            $id = match ($m[1]) {
                'last' => self::text(DB::table($m[2])->max('id') ?? 'none'),
                'new' => '01K9'.strtoupper(str_pad(strtr($m[2], ['i' => '1', 'l' => '1', 'o' => '0', 'u' => 'v']), 22, '0')),
                'long' => str_repeat('x', (int) $m[2]),
                default => $this->ids[$m[1]][(int) $m[2] - 1] ?? self::fail("no {$m[0]}"),
            };

            return $id;
        }, $request);
    }

    /** Identifiers made by chance, and numbers that the database counts, are numbered in the order in which they are met. */
    private function named(string $text): string
    {
        return (string) preg_replace_callback(
            '/\b0[0-9A-HJKMNP-TV-Z]{25}\b|\bJ-\d{4,}\b|\bO-[0-9A-Z]{8}\b/i',
            fn (array $m): string => $this->names[strtoupper($m[0])] ??= '#'.(count($this->names) + 1),
            $text,
        );
    }
}
