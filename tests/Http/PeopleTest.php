<?php

declare(strict_types=1);

namespace Tests\Http;

use App\People\Person;
use App\People\Role;

final class PeopleTest extends TestCase
{
    /** @return array<string, string> as from the application's own page */
    private static function here(): array
    {
        return ['Referer' => self::text(config('app.url')).'/'];
    }

    public function test_signing_in_and_out(): void
    {
        $person = self::person();
        self::assertRefused(
            $this->postJson('/api/session', ['email' => $person->email, 'password' => 'wrong-horse-battery'], self::here()),
            '/password',
            'do not fit',
        );
        self::assertRefused($this->postJson('/api/session', ['email' => 'nobody@test.example', 'password' => 'x'], self::here()), '/password', 'do not fit');
        $this
            ->postJson('/api/session', ['email' => $person->email, 'password' => 'correct-horse-battery'], self::here())
            ->assertOk()
            ->assertJsonPath('role', 'technician');
        $this->getJson('/api/session', self::here())->assertOk()->assertJsonMissingPath('password');
        $this->deleteJson('/api/session', [], self::here())->assertNoContent();
        $this->app->make('auth')->forgetGuards();
        $this->getJson('/api/session', self::here())->assertStatus(401);
        $person->update(['active' => false]);
        self::assertRefused($this->postJson('/api/session', ['email' => $person->email, 'password' => 'correct-horse-battery'], self::here()), '/password');
    }

    public function test_guessing_is_slowed_down(): void
    {
        cache()->flush();
        $person = self::person();
        for ($i = 0; $i < 10; ++$i) {
            $this->postJson('/api/session', ['email' => $person->email, 'password' => "guess {$i}"], self::here())->assertStatus(422);
        }
        $this
            ->postJson('/api/session', ['email' => strtoupper($person->email), 'password' => 'correct-horse-battery'], self::here())
            ->assertStatus(429)
            ->assertHeader('Retry-After');
        cache()->flush();
    }

    public function test_one_session_cannot_flood_the_api(): void
    {
        config(['app.rate_per_minute' => 3]);
        cache()->flush();
        for ($i = 0; $i < 3; ++$i) {
            $this->as(Role::Viewer)->getJson('/api/bench')->assertOk();
        }
        $this->as(Role::Viewer)->getJson('/api/bench')->assertStatus(429)->assertJsonStructure(['errors' => [['pointer', 'detail']]]);
        cache()->flush();
    }

    public function test_a_lead_sets_people_up(): void
    {
        $body = ['name' => 'New Hand', 'email' => 'new@test.example', 'role' => 'technician', 'password' => 'twelve-letters'];
        $id = self::text($this->as(Role::Lead)->postJson('/api/people', $body)->assertCreated()->json('id'));
        self::assertRefused($this->as(Role::Lead)->postJson('/api/people', $body), '/email', 'already');
        self::assertRefused($this->as(Role::Lead)->postJson('/api/people', [...$body, 'email' => 'x']), '/email');
        self::assertRefused(
            $this->as(Role::Lead)->postJson('/api/people', [...$body, 'email' => 'y@test.example', 'password' => 'short']),
            '/password',
            '12 to 72',
        );
        self::assertRefused($this->as(Role::Lead)->postJson('/api/people', [...$body, 'email' => 'y@test.example', 'role' => 'owner']), '/role');
        unset($body['password']);
        self::assertRefused($this->as(Role::Lead)->postJson('/api/people', [...$body, 'email' => 'y@test.example']), '/password', 'missing');
        $this->as(Role::Lead)->putJson("/api/people/{$id}", [...$body, 'role' => 'viewer', 'active' => false])->assertOk()->assertJsonPath('active', false);
        self::assertNotSame('twelve-letters', Person::query()->where('id', $id)->firstOrFail()->password);
        $lead = self::person(Role::Lead);
        self::assertRefused(
            $this->as(Role::Lead)->putJson("/api/people/{$lead->id}", ['name' => 'x', 'email' => $lead->email, 'role' => 'viewer']),
            '',
            'lead away',
        );
    }
}
