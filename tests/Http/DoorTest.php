<?php

declare(strict_types=1);

namespace Tests\Http;

use App\People\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route as Routes;
use Symfony\Component\ErrorHandler\Error\FatalError;

/** What no route takes, tried on every route there is. */
final class DoorTest extends TestCase
{
    /** @return list<array{string, string}> method and address of every route, with identifiers that fit nothing but are well made */
    private function everywhere(string $job): array
    {
        $found = [];
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            $address = preg_replace_callback(
                '/\{(\w+)\??\}/',
                static fn (array $m): string => ['job' => $job, 'verb' => 'judge', 'room' => 'rails'][$m[1]] ?? self::ulid(),
                $route->uri(),
            );
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                $found[] = [$method, '/'.ltrim((string) $address, '/')];
            }
        }
        self::assertGreaterThan(70, count($found));

        return $found;
    }

    public function test_text_that_is_none_is_refused_everywhere_and_every_answer_has_its_headers(): void
    {
        $job = $this->job()->id;
        foreach ($this->everywhere($job) as [$method, $address]) {
            cache()->flush();
            foreach ([['%ff', ''], ['%00', ''], ['x', "a\xff"], ['x', "a\0"], ['x%5Bb%5D', "\xc3\x28"]] as [$name, $value]) {
                $query = $this->as(Role::Lead)->call($method, "{$address}?{$name}=".rawurlencode($value), server: ['HTTP_ACCEPT' => 'application/json']);
                $value !== '' && self::assertSame(422, $query->getStatusCode(), "{$method} {$address} {$name} ".bin2hex($value)." {$query->getContent()}");
                self::assertLessThan(500, $query->getStatusCode());
                $query->assertHeader('X-Content-Type-Options', 'nosniff');
            }
            if ($method === 'POST' || $method === 'PUT') {
                $form = $this->as(Role::Lead)->call($method, $address, ['name' => "a\xff"], server: ['HTTP_ACCEPT' => 'application/json']);
                self::assertRefused($form, '/name', 'no text');
            }
        }
    }

    /** @return array<string, array{mixed}> what a field may be given that a client can send and nobody can mean */
    public static function values(): array
    {
        return [
            'NUL' => ["a\0b"],
            'year 0' => ['0000-01-01T00:00:00Z'],
            'year 9999 with an offset' => ['9999-12-31T23:59:59-12:00'],
            'beyond 2^53' => [9_007_199_254_740_993],
            'longer than any column' => [str_repeat('ä', 70_000)],
            'four bytes a letter' => [str_repeat('🜂', 19_999)],
        ];
    }

    /** Every field of every request body of the description, one after the other. */
    #[\PHPUnit\Framework\Attributes\DataProvider('values')]
    public function test_no_field_of_any_body_brings_the_server_down(mixed $value): void
    {
        $job = $this->job()->id;
        $description = json_decode((string) file_get_contents(base_path('docs/openapi.json')), true);
        self::assertIsArray($description);
        $tried = 0;
        foreach ($this->everywhere($job) as [$method, $address]) {
            if ($method !== 'POST' && $method !== 'PUT' || !str_starts_with($address, '/api/')) {
                continue;
            }
            $path = preg_replace(['#^/api#', '#/[0-7][0-9A-HJKMNP-TV-Z]{25}#'], ['', '/{id}'], $address);
            foreach ($description['paths'] as $described => $operations) {
                if (preg_replace('/\{\w+\}/', '{id}', $described) !== $path) {
                    continue;
                }
                $schema = $operations[strtolower($method)]['requestBody']['content']['application/json']['schema']['$ref'] ?? '';
                $fields = $description['components']['schemas'][basename($schema)]['properties'] ?? [];
                foreach (array_keys($fields) as $field) {
                    $body = [...self::whole($job), $field => $value];
                    cache()->flush();
                    $answer = $this->as(Role::Lead)->json($method, $address, array_intersect_key($body, $fields));
                    self::assertLessThan(500, $answer->getStatusCode(), "{$method} {$address} {$field}: {$answer->getContent()}");
                    ++$tried;
                }
            }
        }
        self::assertGreaterThan(100, $tried);
        foreach (['symptom', 'observation', 'waiting', 'hazard', 'decision', 'action'] as $kind) {
            $line = "note {$kind} ".(is_string($value) ? $value : '');
            foreach ([['text' => $value], ['text' => 'x', 'data' => ['for' => $value, 'asked' => $value]], ['line' => $line]] as $fields) {
                $answer = $this->add(\App\Logbook\Job::query()->findOrFail($job), ['kind' => $kind, ...$fields]);
                self::assertLessThan(500, $answer->getStatusCode(), (string) $answer->getContent());
            }
        }
    }

    /** @return array<string, mixed> fields that many bodies have, each well made */
    private static function whole(string $job): array
    {
        return [
            'id' => self::ulid(), 'job' => $job, 'at' => '2026-03-01T09:00:00Z', 'name' => 'A name', 'title' => 'A title', 'owner' => 'Somebody',
            'machine' => self::machine()->id, 'board' => self::board(self::machine(), 'main')->id, 'quantity' => 1, 'place' => 'drawer', 'sku' => 'A-1',
            'email' => 'a@test.example', 'role' => 'viewer', 'password' => 'correct-horse-battery', 'host' => '127.0.0.1', 'port' => 9, 'counts' => 1,
            'reading_pct' => 0.1, 'resolution_v' => 0.001, 'map' => 'main', 'text' => '1 2 3', 'change' => 1, 'days' => 3, 'line' => 'note x',
            'marking' => '104',
        ];
    }

    public function test_a_large_body_is_refused_by_size_before_anybody_is_asked_who_they_are(): void
    {
        $large = '['.str_repeat('1,', 3000).'1]';
        $server = ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'];
        $this->call('POST', '/api/session', server: $server, content: $large)->assertStatus(413)->assertJsonPath('errors.0.pointer', '');
    }

    public function test_who_only_looks_at_the_sign_in_page_leaves_no_session_row(): void
    {
        config(['session.driver' => 'database']);
        $before = DB::table('sessions')->count();
        $this->get('/')->assertOk();
        $this->getJson('/api/session', ['Referer' => config('app.url').'/'])->assertStatus(401);
        $this->postJson('/api/session', ['email' => 'x@test.example', 'password' => 'x'], ['Referer' => config('app.url').'/'])->assertStatus(422);
        self::assertSame($before, DB::table('sessions')->count());
        $who = ['email' => self::person()->email, 'password' => 'correct-horse-battery'];
        $this->postJson('/api/session', $who, ['Referer' => config('app.url').'/'])->assertOk();
        self::assertSame($before + 1, DB::table('sessions')->count());
    }

    public function test_on_a_full_disk_writing_is_refused_in_words_and_reading_goes_on(): void
    {
        $job = $this->job();
        config(['app.disk_free' => 1_000_000]);
        foreach ($this->everywhere($job->id) as [$method, $address]) {
            if (in_array($method, ['POST', 'PUT', 'DELETE'], true) && str_starts_with($address, '/api/') && $address !== '/api/session') {
                cache()->flush();
                self::assertSame(507, $this->as(Role::Lead)->json($method, $address)->getStatusCode(), "{$method} {$address}");
            }
        }
        $this->as(Role::Technician)->getJson("/api/jobs/{$job->id}")->assertOk();
        $this->getJson('/api/bench')->assertOk()->assertJsonPath('disk', null);
        self::assertStringContainsString('full', self::text($this->as(Role::Lead)->getJson('/api/bench')->json('disk')));
        $this->getJson('/up')->assertStatus(503)->assertJsonPath('disk', false)->assertJsonPath('database', true);
        config(['app.disk_free' => 1_500_000_000]);
        $this->getJson('/up')->assertOk()->assertJsonPath('works', true);
        self::assertStringContainsString('1.5 GB are left', self::text($this->getJson('/api/bench')->json('disk')));
        config(['app.disk_free' => null]);
    }

    public function test_a_failure_is_one_json_line_with_the_request_that_the_answer_names(): void
    {
        $_SERVER['REQUEST_ID'] = str_repeat('ab', 16);
        $file = storage_path('logs/ash-'.now()->format('Y-m-d').'.log');
        Routes::get('api/fails', static fn () => throw new \RuntimeException('on purpose'));
        $answer = $this->as(Role::Viewer)->getJson('/api/fails')->assertStatus(500);
        self::assertStringContainsString($_SERVER['REQUEST_ID'], self::text($answer->json('errors.0.detail')));
        $lines = file($file, FILE_IGNORE_NEW_LINES) ?: [];
        $line = json_decode((string) end($lines), true);
        self::assertIsArray($line);
        self::assertSame(['on purpose', $_SERVER['REQUEST_ID']], [$line['message'], $line['extra']['request']]);
        $_SERVER['REQUEST_ID'] = 'as a client would like it';
        self::assertStringNotContainsString($_SERVER['REQUEST_ID'], (string) $this->getJson('/api/fails')->getContent());
        unset($_SERVER['REQUEST_ID']);
    }

    public function test_what_asks_for_more_than_a_request_may_have_is_told_so(): void
    {
        foreach (['Maximum execution time of 30 seconds exceeded', 'Allowed memory size of 201326592 bytes exhausted'] as $n => $said) {
            Routes::get("api/eats{$n}", static fn () => throw new FatalError($said, 0, ['file' => 'x', 'line' => 1]));
            $answer = $this->as(Role::Viewer)->getJson("/api/eats{$n}")->assertStatus(503);
            self::assertStringContainsString('more time or memory than one request may have', self::text($answer->json('errors.0.detail')));
        }
    }

    public function test_a_person_gets_a_page_of_ours_where_a_program_gets_json(): void
    {
        $job = self::ulid();
        $pages = ["/jobs/{$job}/report/sheet" => 'There is nothing here', '/owner-report/x?signature=y' => 'Your role does not allow this'];
        foreach ($pages as $path => $words) {
            $this->as(Role::Viewer)->get($path)->assertSee($words)->assertSee('Ash Bench')->assertDontSee('Laravel');
        }
    }
}
