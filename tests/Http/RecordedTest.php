<?php

declare(strict_types=1);

namespace Tests\Http;

use App\People\Person;
use App\People\Role;
use Database\Seeders\DemoSeeder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route as Routes;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/**
 * What every reading route answers over the demo, and what a long list of requests is answered, as recorded. A change on purpose is
 * recorded anew with ASH_RECORD=1 bin/test http --filter RecordedTest, and the difference is read.
 */
final class RecordedTest extends TestCase
{
    private const ASKED = __DIR__.'/Recorded/asked.txt';
    private const ANSWERED = __DIR__.'/Recorded/answered.txt';
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
        ] as $name => $query) {
            $this->ids[$name] = array_map(self::text(...), array_column(DB::select($query), 'id'));
        }
        $answered = [];
        foreach ([...$this->reads(), ...$this->asked()] as $request) {
            $answered[] = "{$request}\n{$this->answer($request)}";
        }
        if (getenv('ASH_RECORD') === '1') {
            file_put_contents(self::ANSWERED, implode("\n\n", $answered)."\n");
        }
        $recorded = explode("\n\n", trim((string) file_get_contents(self::ANSWERED)));
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
    private function asked(): array
    {
        return array_values(array_filter(file(self::ASKED, FILE_IGNORE_NEW_LINES) ?: [], static fn (string $it): bool => $it !== '' && $it[0] !== '#'));
    }

    private function answer(string $request): string
    {
        cache()->flush();
        [$who, $method, $address, $body] = [...explode(' ', $this->filled($request), 4), null];
        $role = ['lead' => Role::Lead, 'tech' => Role::Technician, 'viewer' => Role::Viewer][$who] ?? self::fail($request);
        $server = ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'];
        $response = $this->as($role)->call($method, $address, server: $server, content: $body);
        $sent = $response->baseResponse;
        $text = match (true) {
            $sent instanceof \Symfony\Component\HttpFoundation\StreamedResponse => $response->streamedContent(),
            $sent instanceof BinaryFileResponse && $sent->headers->get('Content-Type') === 'application/json' => $sent->getFile()->getContent(),
            default => (string) $response->getContent(),
        };
        $chance = ['/data:image[^"]+/', '/signature=\w+/', '/\w{40}(?=\.ics)/',
            '/(?<="next_before":")\w+/', '/(?<="before":")\w+/', '/(?<="photos_before":")\w+/', '/(?<="signature": ")\w+/'];
        $text = preg_replace('/\n\s*/', "\n", preg_replace($chance, '~', $text) ?? '');

        return "{$response->getStatusCode()} {$this->named(trim((string) $text))}";
    }

    private function filled(string $request): string
    {
        return (string) preg_replace_callback('/\{(\w+)\.(\w+)\}/', function (array $m): string {
            $id = match ($m[1]) {
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
