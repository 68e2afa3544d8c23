<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Machine;
use App\People\Role;
use App\Rails\Run;
use Illuminate\Routing\Route;

/** Every route there is, asked from the router and not listed by hand. */
final class RoutesTest extends TestCase
{
    use EveryRoute;

    private const PUBLIC = [
        'api/openapi.json', 'api/session', 'sanctum/csrf-cookie', 'up', 'shell-worker.js', '{screen?}', 'owner-report/{link}',
        'calendar/{secret}.ics',
    ];

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
