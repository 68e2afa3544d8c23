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

    public function test_one_account_has_one_bucket_however_its_address_is_written(): void
    {
        cache()->flush();
        $person = self::person();
        foreach (['', ' ', '  '] as $n => $spaces) {
            for ($i = 0; $i < [4, 3, 3][$n]; ++$i) {
                $written = [ucfirst($person->email), strtoupper($person->email), strtr($person->email, ['e' => 'é'])][$n].$spaces;
                $this->postJson('/api/session', ['email' => $written, 'password' => "guess {$i}"], self::here())->assertStatus(422);
            }
        }
        $this->postJson('/api/session', ['email' => $person->email, 'password' => 'correct-horse-battery'], self::here())->assertStatus(429);
        cache()->flush();
    }

    public function test_who_never_failed_signs_in_though_the_office_did_and_the_client_is_the_one_behind_the_proxy(): void
    {
        cache()->flush();
        $other = self::person(Role::Lead);
        for ($i = 0; $i < 61; ++$i) {
            $this->postJson('/api/session', ['email' => "nobody{$i}@test.example", 'password' => 'x'], self::here())->assertStatus(422);
        }
        $this->postJson('/api/session', ['email' => 'nobody1@test.example', 'password' => 'x'], self::here())->assertStatus(429);
        $this->postJson('/api/session', ['email' => $other->email, 'password' => 'correct-horse-battery'], self::here())->assertOk();
        \Illuminate\Http\Middleware\TrustProxies::at(['127.0.0.1']);
        $this
            ->postJson('/api/session', ['email' => 'nobody1@test.example', 'password' => 'x'], [...self::here(), 'X-Forwarded-For' => '192.0.2.7'])
            ->assertStatus(422);
        \Illuminate\Http\Middleware\TrustProxies::at([]);
        cache()->flush();
    }

    public function test_known_unknown_and_put_away_accounts_all_cost_one_comparison(): void
    {
        cache()->flush();
        self::person()->update(['active' => false]);
        $hasher = new class extends \Illuminate\Hashing\BcryptHasher {
            public int $compared = 0;

            public function check($value, $hashedValue, array $options = []): bool
            {
                ++$this->compared;

                return true;
            }
        };
        \Illuminate\Support\Facades\Hash::swap($hasher);
        foreach ([self::person()->email, 'nobody@test.example'] as $n => $email) {
            $this->postJson('/api/session', ['email' => $email, 'password' => 'correct-horse-battery'], self::here())->assertStatus(422);
            self::assertSame($n + 1, $hasher->compared);
        }
        cache()->flush();
    }

    /** @return array<string, array{string, bool}> a password, and whether it is taken */
    public static function passwords(): array
    {
        return [
            'a common word and a year' => ['Password2026!!', false],
            'letters for digits' => ['P4ssw0rd1234', false],
            'a run of the keyboard' => ['qwertyuiop12', false],
            'the alphabet backwards' => ['zyxwvutsrqpo', false],
            'digits' => ['123456789012', false],
            'digits in a row and two letters' => ['1234567890zq', false],
            'one piece again and again' => ['ab12ab12ab12', false],
            'words of the place' => ['ashbenchworkshop1', false],
            'eleven characters' => ['horse-batte', false],
            'several words' => ['correct-horse-battery', true],
            'made by chance' => ['t7Kq-92mZ-pLx4', true],
        ];
    }

    #[\PHPUnit\Framework\Attributes\DataProvider('passwords')]
    public function test_passwords_that_are_tried_first_are_refused(string $password, bool $taken): void
    {
        $answer = $this->as(Role::Lead)->postJson('/api/people', ['name' => 'N', 'email' => 'n@test.example', 'role' => 'viewer', 'password' => $password]);
        $taken ? $answer->assertCreated() : self::assertRefused($answer, '/password');
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
        self::assertSame($id, $this->as(Role::Lead)->postJson('/api/people', $body)->assertOk()->json('id'));
        self::assertRefused($this->as(Role::Lead)->postJson('/api/people', [...$body, 'name' => 'Another']), '/email', 'already');
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
