<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Machine;
use App\People\Role;
use App\Rails\Run;
use App\Report\ReportLink;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Routes;

/** Every route there is, asked from the router and not listed by hand. */
final class RoutesTest extends TestCase
{
    private const PUBLIC = ['api/openapi.json', 'api/session', 'sanctum/csrf-cookie', 'up', 'shell-worker.js', '{screen?}', 'owner-report/{link}', 'calendar/{secret}.ics'];

    /** @return list<array{string, string, Route}> method, address with real identifiers, route */
    private function routes(): array
    {
        $job = $this->job();
        $run = $this->railRun($job);
        $photo = self::ulid();
        \App\Logbook\Photo::query()->create([
            'id' => $photo,
            'job_id' => $job->id,
            'author' => 'Test',
            'width' => 1,
            'height' => 1,
            'bytes' => 1,
            'sha256' => str_repeat('0', 64),
            'taken_in_at' => now(),
        ]);
        $link = ReportLink::query()->create(['job_id' => $job->id, 'author' => 'Test', 'expires_at' => now()->addDay()]);
        $source = \App\Memory\Source::query()->create([
            'id' => self::ulid(),
            'job_id' => $job->id,
            'kind' => 'text',
            'state' => 'whole',
            'memory' => json_encode(\Ash\Document\Node::parse(self::machine()->described->profile)->at('memories')->items()[0]->raw()),
            'radix' => 16,
            'pattern' => 'none',
            'author' => 'Test',
            'started_at' => now(),
            'updated_at' => now(),
        ]);
        $port = \App\Instruments\SerialPort::query()->create(['name' => 'Tester', 'host' => '127.0.0.1', 'port' => 9, 'standin' => true])->id;
        $item = \App\Shelf\ShelfItem::query()->create(['sku' => 'X', 'name' => 'X', 'spec' => [], 'place' => 'X', 'came_on' => '2026-01-01'])->id;
        $kind = Machine::query()->findOrFail($job->machine_id)->kind_id;
        $sheet = strtolower(self::ulid());
        \Illuminate\Support\Facades\DB::table('kind_sheets')->insert([
            'id' => $sheet, 'kind_id' => $kind, 'what' => 'sheet', 'name' => 'x.txt', 'bytes' => 1, 'crc32' => '00000000', 'sha256' => str_repeat('0', 64),
            'author' => 'Test', 'created_at' => now(),
        ]);
        is_dir(storage_path('app/sheets')) || mkdir(storage_path('app/sheets'), 0700, true);
        file_put_contents(storage_path("app/sheets/{$sheet}"), 'x');
        $ids = [
            'kind' => $kind,
            'sheet' => $sheet,
            'item' => $item,
            'reservation' => self::ulid(),
            'source' => $source->id,
            'port' => $port,
            'job' => $job->id,
            'run' => $run,
            'machine' => $job->machine_id,
            'board' => $job->board_id,
            'meter' => self::meter(5025)->id,
            'person' => self::person()->id,
            'link' => $link->id,
            'verb' => 'judge',
            'room' => 'rails',
            'secret' => str_repeat('0', 40),
            'photo' => $photo,
            'line' => \App\Memory\TaughtLine::query()->create([
                'id' => self::ulid(), 'machine_id' => $job->machine_id, 'pattern' => '{"sort":"end","tokens":[{"word":"end"}]}', 'example' => 'end',
                'author' => 'Test', 'created_at' => now(), 'active' => true,
            ])->id,
        ];
        $found = [];
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            $address = preg_replace_callback('/\{(\w+)\??\}/', static fn (array $m): string => $ids[$m[1]] ?? '', $route->uri());
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                $found[] = [$method, "/{$address}", $route];
            }
        }
        $this->app->make('auth')->forgetGuards();

        return $found;
    }

    private static function writes(string $method): bool
    {
        return !in_array($method, ['GET', 'HEAD', 'OPTIONS'], true);
    }

    public function test_an_anonymous_visitor_gets_401_everywhere_but_on_the_public_routes(): void
    {
        $asked = 0;
        foreach ($this->routes() as [$method, $address, $route]) {
            if (in_array($route->uri(), self::PUBLIC, true) && !($route->uri() === 'api/session' && $method !== 'POST')) {
                continue;
            }
            self::assertSame(401, $this->json($method, $address)->getStatusCode(), "{$method} {$address}");
            ++$asked;
        }
        self::assertGreaterThan(30, $asked);
    }

    public function test_a_viewer_gets_403_on_every_writing_route_and_may_read_the_rest(): void
    {
        $asked = 0;
        foreach ($this->routes() as [$method, $address, $route]) {
            if (!self::writes($method) || $route->uri() === 'api/session') {
                continue;
            }
            self::assertSame(403, $this->as(Role::Viewer)->json($method, $address)->getStatusCode(), "{$method} {$address}");
            ++$asked;
        }
        self::assertGreaterThan(15, $asked);
        $this->as(Role::Viewer)->getJson('/api/bench')->assertOk();
    }

    public function test_a_technician_may_not_do_what_a_lead_does(): void
    {
        foreach ($this->routes() as [$method, $address, $route]) {
            if (in_array('can:lead', $route->gatherMiddleware(), true)) {
                $this->as(Role::Technician)->json($method, $address)->assertStatus(403);
            }
        }
    }

    public function test_someone_who_may_no_longer_sign_in_loses_every_ability(): void
    {
        $person = self::person(Role::Lead);
        $person->update(['active' => false]);
        $this->actingAs($person)->getJson('/api/bench')->assertStatus(403);
    }

    public function test_malformed_bodies_give_4xx_with_a_pointer_and_never_500(): void
    {
        $bodies = [
            '', '{', '[]', '"x"', 'null', '{}', '{"id": 1}', '{"id": null, "at": null}', '{"a": {"a": {"a": 1e999}}}', "{\"\xff\": 1}",
            '{"id": "x", "id": "y"}',
            '{"unheard_of": true}',
            '{"id": [], "at": {}, "kind": 7, "name": false, "line": 3, "machine": {}, "meter": [], "rail": {}, "days": "soon", "scene": 4, '
                .'"format": 9, "email": {}}',
            str_repeat('[', 200).str_repeat(']', 200), '{"text": "'.str_repeat('x', 2_100_000).'"}',
        ];
        $asked = 0;
        foreach ($this->routes() as [$method, $address, $route]) {
            if (!self::writes($method)
                || $method === 'DELETE'
                || str_ends_with($route->uri(), '{meter}/check')
                || str_ends_with($route->uri(), '/stop')
                || $route->uri() === 'api/calendar') {
                continue;
            }
            foreach ($bodies as $body) {
                cache()->flush();
                $response = $this->as(Role::Lead)->call(
                    $method,
                    $address,
                    server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
                    content: $body,
                );
                self::assertContains(
                    $response->getStatusCode(),
                    [400, 404, 409, 413, 422],
                    "{$method} {$address} with ".substr($body, 0, 60).": {$response->getContent()}",
                );
                self::assertIsString($response->json('errors.0.pointer'));
                self::assertNotSame('', self::text($response->json('errors.0.detail')));
                ++$asked;
            }
            if (str_ends_with($route->uri(), '/import') && !str_starts_with($route->uri(), 'api/boards')) {
                continue;
            }
            $form = $this->as(Role::Lead)->call($method, $address, ['name' => 'x'], server: ['HTTP_ACCEPT' => 'application/json']);
            self::assertSame(422, $form->getStatusCode());
        }
        self::assertGreaterThan(200, $asked);
        self::assertSame(0, Machine::query()->where('slug', '')->count());
        self::assertSame(1, Run::query()->count());
    }

    public function test_bad_queries_and_identifiers_are_refused_too(): void
    {
        $job = $this->job();
        foreach ([
            '/api/jobs?state=lost',
            '/api/jobs?before=@@',
            '/api/jobs?color=1',
            "/api/boards/{$job->board_id}?before=x",
            "/api/boards/{$job->board_id}/series",
            '/api/rail-runs/'.$this->railRun($job).'?load=heavy',
        ] as $address) {
            $this->as(Role::Viewer)->getJson($address)->assertStatus(422)->assertJsonStructure(['errors' => [['pointer', 'detail']]]);
        }
        foreach ([
            '/api/jobs/nothing',
            '/api/boards/nothing',
            '/api/machines/nothing',
            '/api/rail-runs/nothing',
            '/api/nothing',
            '/boards/nothing/record.json',
        ] as $address) {
            $this->as(Role::Viewer)->getJson($address)->assertStatus(404);
        }
    }

    public function test_every_answer_carries_the_security_headers_and_no_trace(): void
    {
        $response = $this->getJson('/api/bench');
        $response->assertHeader('X-Content-Type-Options', 'nosniff')->assertHeader('Referrer-Policy', 'same-origin');
        self::assertStringContainsString("default-src 'self'", (string) $response->headers->get('Content-Security-Policy'));
        self::assertFalse(config('app.debug'));
        self::assertStringNotContainsString('vendor', (string) $response->getContent());
    }
}
