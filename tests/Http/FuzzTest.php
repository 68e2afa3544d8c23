<?php

declare(strict_types=1);

namespace Tests\Http;

use App\People\Role;
use Database\Seeders\DemoSeeder;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Uid\Ulid;

/**
 * Bodies made by chance from the API's own description, sent to every route that writes: no answer is a 5xx, every refusal names a field,
 * and nothing is half saved. The seed is fixed; bin/test fuzz sends ten times as many.
 */
final class FuzzTest extends TestCase
{
    private const SEED = 20261127;
    /** Routes that talk to a device or read a file have tests of their own. */
    private const NOT_HERE = [
        '/meters/{meter}/check', '/meters/{meter}/scene', '/serial-ports/{port}/scene', '/jobs/{job}/captures', '/memory-sources/{source}/stop',
    ];

    /** @var array<string, mixed> */
    private array $description = [];

    /** @var array<string, list<string>> */
    private array $ids = [];

    public function test_no_body_brings_the_server_down(): void
    {
        mt_srand(self::SEED);
        $this->description = (array) json_decode((string) file_get_contents(base_path('docs/openapi.json')), true);
        $people = ['ines' => self::person(Role::Lead), 'tomas' => self::person(), 'bea' => self::person()];
        DemoSeeder::fill($people, self::meter(8041), self::meter(8042));
        foreach (['jobs', 'boards', 'machines', 'shelf_items', 'runs', 'memory_sources', 'meters', 'entries', 'people'] as $table) {
            $this->ids[$table] = [...array_map(self::text(...), DB::table($table)->limit(40)->pluck('id')->all()), Ulid::generate()];
        }
        $routes = [];
        foreach ((array) $this->description['paths'] as $path => $operations) {
            foreach (array_intersect(['post', 'put'], array_keys((array) $operations)) as $method) {
                $schema = $operations[$method]['requestBody']['content']['application/json']['schema'] ?? null;
                $schema === null || in_array($path, self::NOT_HERE, true) || $routes[] = [$method, (string) $path, $schema];
            }
        }
        self::assertGreaterThan(30, count($routes));
        $bodies = (int) (getenv('ASH_FUZZ') ?: 2000);
        $codes = [];
        for ($n = 0; $n < $bodies; ++$n) {
            [$method, $path, $schema] = $routes[$n % count($routes)];
            $body = $this->made($schema, 0);
            $content = is_array($body) && $body === [] ? '{}' : json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR);
            $n % 50 === 0 && cache()->flush();
            $answer = $this->as(Role::Lead)->call(
                strtoupper($method),
                '/api'.preg_replace_callback('/\{(\w+)\}/', fn (array $m): string => $this->part($m[1]), $path),
                server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
                content: (string) $content,
            );
            $code = $answer->getStatusCode();
            $codes[$code] = ($codes[$code] ?? 0) + 1;
            self::assertLessThan(500, $code, "body {$n}: {$method} {$path} {$content}\n{$answer->getContent()}");
            if ($code >= 400) {
                self::assertIsString($answer->json('errors.0.pointer'), "{$method} {$path} {$content}");
                self::assertNotSame('', $answer->json('errors.0.detail'));
            }
        }
        self::assertGreaterThan($bodies / 20, ($codes[200] ?? 0) + ($codes[201] ?? 0), 'some of them are good: '.json_encode($codes));
        self::assertGreaterThan($bodies / 5, $codes[422] ?? 0);
        foreach (DB::table('jobs')->where('state', 'open')->limit(5)->pluck('id') as $job) {
            $this->as(Role::Viewer)->getJson('/api/jobs/'.self::text($job))->assertOk();
        }
        $this->getJson('/api/bench')->assertOk();
    }

    private function part(string $name): string
    {
        $table = ['job' => 'jobs', 'run' => 'runs', 'item' => 'shelf_items', 'machine' => 'machines', 'source' => 'memory_sources', 'person' => 'people'][$name]
            ?? "{$name}s";
        if ($name === 'room' || $name === 'verb') {
            $rooms = ['rails', 'memory', 'capacitors', 'batteries', 'corrosion'];

            return $this->some($name === 'room' ? $rooms : ['judge', 'path', 'sum', 'march', 'soak', 'decode', 'wire']);
        }

        return mt_rand(0, 9) === 0 ? Ulid::generate() : $this->some($this->ids[$table] ?? ['nothing']);
    }

    /**
     * @template T
     *
     * @param list<T> $of
     *
     * @return T
     */
    private function some(array $of): mixed
    {
        return $of === [] ? self::fail('nothing to choose from') : $of[mt_rand(0, count($of) - 1)];
    }

    /** A value of the schema; once in a while something else. */
    private function made(mixed $schema, int $depth): mixed
    {
        $schema = is_array($schema) ? $schema : [];
        if (isset($schema['$ref'])) {
            return $this->made($this->description['components']['schemas'][basename((string) $schema['$ref'])] ?? [], $depth);
        }
        if ($depth > 0 && mt_rand(0, 24) === 0) {
            return $this->some([
                null, '', 0, -1, 1e308, 'x', [], [[]], true, "a\0", str_repeat('y', 300), 9_007_199_254_740_993, '0000-00-00T00:00:00Z', new \stdClass(), '🜂',
            ]);
        }
        foreach (['oneOf', 'anyOf'] as $choice) {
            if (isset($schema[$choice])) {
                return $this->made($this->some(array_values((array) $schema[$choice])), $depth);
            }
        }
        if (isset($schema['enum'])) {
            return $this->some(array_values((array) $schema['enum']));
        }
        $type = is_array($schema['type'] ?? null) ? $this->some(array_values($schema['type'])) : ($schema['type'] ?? 'object');

        return match ($type) {
            'null' => null,
            'boolean' => mt_rand(0, 1) === 1,
            'integer' => $this->some([
                1, 2, 3, (int) ($schema['minimum'] ?? 0), min(100, (int) ($schema['maximum'] ?? 100)), (int) ($schema['minimum'] ?? 0) - 1,
            ]),
            'number' => $this->some([0.1, 1, 5.02, 12.0, 1e-6, (float) ($schema['minimum'] ?? 0), (float) ($schema['maximum'] ?? 47)]),
            'string' => $this->word($schema),
            'array' => array_map(fn (): mixed => $this->made($schema['items'] ?? [], $depth + 1), range(1, mt_rand(1, 3))),
            default => $this->object($schema, $depth),
        };
    }

    /** @param array<mixed> $schema */
    private function word(array $schema): string
    {
        if (str_contains((string) ($schema['pattern'] ?? ''), '{25}')) {
            return mt_rand(0, 2) === 0 ? Ulid::generate() : $this->some($this->ids[$this->some(array_keys($this->ids))]);
        }
        if (($schema['format'] ?? '') === 'date-time') {
            return gmdate('Y-m-d\TH:i:s\Z', 1_770_000_000 + mt_rand(-1_000_000, 50_000_000));
        }

        return $this->some([
            'a note', '5', 'U30', '127.0.0.1', '104', 'symptom dark', 'C12 bulged', 'replaced U7 -> 7812',
            'stage supply', 'main', '+5', '+12', 'C1', '4.7u', '10k',
            'x@test.example', 'correct-horse-battery', '2026-03-01', 'battery leaking', 'out fan; plug J1 red up', 'waiting for a fuse',
            '0011 FF FB', 'drawer 3',
        ]);
    }

    /**
     * @param array<mixed> $schema
     *
     * @return array<string, mixed>
     */
    private function object(array $schema, int $depth): array
    {
        $made = [];
        $required = (array) ($schema['required'] ?? []);
        foreach ($depth > 6 ? [] : (array) ($schema['properties'] ?? []) as $name => $inner) {
            if (mt_rand(0, 29) > 0 && (in_array($name, $required, true) || mt_rand(0, 2) === 0)) {
                $made[(string) $name] = $this->made($inner, $depth + 1);
            }
        }
        mt_rand(0, 39) === 0 && $made['unheard_of'] = 1;

        return $made;
    }
}
