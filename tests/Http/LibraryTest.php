<?php

declare(strict_types=1);

namespace Tests\Http;

use App\People\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

/** The library of symptoms is a lead's to change, in a file or on a screen, and open jobs are not pulled from under. */
final class LibraryTest extends TestCase
{
    /** @return array<string, mixed> */
    private function symptom(string $id = 'beeps_dark', string $query = ''): array
    {
        $document = $this->as(Role::Lead)->getJson("/api/library/{$id}{$query}")->assertOk()->json('document');
        self::assertIsArray($document);

        return array_combine(array_map(strval(...), array_keys($document)), $document);
    }

    /** @param array<string, mixed> ...$symptoms */
    private function sent(string $query, array ...$symptoms): TestResponse
    {
        return $this->postJson("/api/library?{$query}", ['format' => 'ash-bench/symptom-library/1', 'symptoms' => $symptoms]);
    }

    public function test_what_ships_comes_out_and_in_unchanged_and_fits_its_schema(): void
    {
        $file = (string) $this->as(Role::Lead)->get('/symptom-library.json')->assertOk()->getContent();
        self::assertSame(20, count((array) $this->getJson('/api/library')->json()));
        $this->call('POST', '/api/library?why=again', server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], content: $file)
            ->assertOk()->assertJson(['changed' => [], 'same' => 20, 'evened' => []]);
        self::assertSame(0, DB::table('library_revisions')->count());
    }

    public function test_a_changed_weight_counts_at_once_and_the_older_revision_stays(): void
    {
        $job = $this->job();
        $this->add($job, ['kind' => 'symptom_chosen', 'data' => ['symptom' => 'beeps_dark']])->assertCreated();
        $this->getJson("/api/jobs/{$job->id}/isolation")->assertJsonPath('causes.0.words', 'memory seat');
        $is = $this->symptom();
        foreach ((array) $is['causes'] as $i => $cause) {
            $is['causes'][$i]['weight'] = $cause['id'] === 'memory_bad' ? 1000 : $cause['weight'];
        }
        self::assertRefused($this->sent('', $is), '/why');
        $this->sent('why=the+shop+knows', $is)->assertOk()->assertJsonPath('changed', ['beeps_dark']);
        $this->getJson("/api/jobs/{$job->id}/isolation")->assertJsonPath('causes.0.words', 'memory bad');
        $page = $this->getJson('/api/library/beeps_dark')->assertJsonPath('revision', 1)->assertJsonPath('revisions.0.why', 'the shop knows');
        self::assertNotEmpty($page->json('revisions.0.author'));
        self::assertNotSame($is, $this->symptom('beeps_dark', '?revision=0'), 'as it ships');
        $this->getJson('/api/library/beeps_dark?revision=7')->assertStatus(422);
        $this->getJson('/api/library/nobody')->assertNotFound();
        // Somebody else edited the one that shipped.
        $this->sent('why=late&over=0', $is)->assertStatus(409);
        // Taken back: the shipped one again, as a revision of its own.
        $this->sent('why=back&over=1', $this->symptom('beeps_dark', '?revision=0'))->assertOk();
        $this->getJson('/api/library/beeps_dark')->assertJsonPath('revision', 2);
        $this->getJson("/api/jobs/{$job->id}/isolation")->assertJsonPath('causes.0.words', 'memory seat');
        $this->as(Role::Technician);
        $this->sent('why=mine', $is)->assertForbidden();
    }

    public function test_likelihoods_that_do_not_sum_to_one_are_named_and_only_then_made_to(): void
    {
        $is = $this->symptom();
        $is['tests'][0]['likelihood']['memory_seat'] = array_map(static fn (): float => 0.3, (array) $is['tests'][0]['likelihood']['memory_seat']);
        $refused = $this->sent('why=x', $is)->assertStatus(422);
        self::assertSame('/symptoms/0/tests/0/likelihood/memory_seat', $refused->json('errors.0.pointer'));
        self::assertStringStartsWith('sums to 1.2, not to 1', self::text($refused->json('errors.0.detail')));
        self::assertSame(0, DB::table('library_revisions')->count());
        $this->sent('why=x&normalise=1', $is)->assertOk()->assertJsonPath('evened', ['/symptoms/0/tests/0/likelihood/memory_seat']);
        $row = (array) ($this->symptom()['tests'][0]['likelihood']['memory_seat'] ?? []);
        self::assertEqualsWithDelta(1.0, array_sum($row), 1e-12);
        $is['tests'][0]['likelihood']['memory_seat'] = array_map(static fn (): int => 0, $row);
        self::assertRefused($this->sent('why=x&normalise=1', $is), '/symptoms/0/tests/0/likelihood/memory_seat');
    }

    public function test_a_file_that_takes_away_what_open_jobs_use_is_refused_whole(): void
    {
        $job = $this->job();
        $this->add($job, ['kind' => 'symptom_chosen', 'data' => ['symptom' => 'beeps_dark']])->assertCreated();
        $this->add($job, ['kind' => 'test_done', 'data' => ['symptom' => 'beeps_dark', 'test' => 'reseat_memory', 'outcome' => 'same']])->assertCreated();
        $is = $this->symptom();
        $less = $is;
        $less['causes'] = array_values(array_filter((array) $is['causes'], static fn (array $it): bool => $it['id'] !== 'memory_seat'));
        foreach ((array) $is['tests'] as $i => $test) {
            unset($less['tests'][$i]['likelihood']['memory_seat']);
        }
        $other = $this->symptom('fan_dark');
        $other['name'] = 'Another name';
        $refused = $this->sent('why=x', $other, $less);
        self::assertRefused($refused, '/symptoms/1/causes');
        self::assertStringContainsString($job->label(), self::text($refused->json('errors.0.detail')));
        self::assertSame(0, DB::table('library_revisions')->count(), 'not half of it either');
        $fewer = $is;
        $fewer['tests'] = array_values(array_filter((array) $is['tests'], static fn (array $it): bool => $it['id'] !== 'reseat_memory'));
        self::assertRefused($this->sent('why=x', $fewer), '/symptoms/0/tests');
        // Closed, it is nobody's suspect any more.
        $this->add($job, ['kind' => 'outcome', 'data' => ['outcome' => 'fixed_with_limits', 'handed_back' => false, 'limits' => ['x']]])->assertCreated();
        $this->as(Role::Lead);
        $this->sent('why=x', $other, $less)->assertOk()->assertJsonPath('changed', ['fan_dark', 'beeps_dark']);
        self::assertContains('Another name', array_column((array) $this->getJson('/api/library')->json(), 'name'));
    }

    public function test_what_is_no_library_is_refused_with_its_place(): void
    {
        $is = $this->symptom();
        foreach ([
            '/symptoms/0/causes/0/weight' => static function (array $it): array {
                $it['causes'][0]['weight'] = -1;

                return $it;
            },
            '/symptoms/0' => static function (array $it): array {
                $it['colour'] = 'red';

                return $it;
            },
            '/symptoms/0/causes/1/id' => static function (array $it): array {
                $it['causes'][1]['id'] = $it['causes'][0]['id'];

                return $it;
            },
            '/symptoms/0/id' => static function (array $it): array {
                $it['id'] = 'No Life';

                return $it;
            },
        ] as $pointer => $spoilt) {
            self::assertRefused($this->sent('why=x', $spoilt($is)), $pointer);
        }
    }
}
