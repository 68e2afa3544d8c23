<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Job;
use App\People\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;

/** Parts under treatment, what runs on the bench, and what must never meet, across jobs and people. */
final class TreatmentsTest extends TestCase
{
    /** @param array<string, mixed> $data */
    private function said(Job $job, string $kind, array $data, string $at = '2026-03-02T10:00:00Z'): TestResponse
    {
        return $this->add($job, ['kind' => $kind, 'data' => $data, 'at' => $at]);
    }

    private function chosen(Job $job, string $part, string $damage, string $material, string $means): string
    {
        $answer = $this->said($job, 'treatment', ['part' => $part, 'damage' => $damage, 'material' => $material, 'means' => $means])->assertCreated();

        return self::text($answer->json('entry.id'));
    }

    /** @param array<string, mixed> $more */
    private function step(Job $job, string $treatment, int $step, array $more = []): TestResponse
    {
        return $this->said($job, 'treatment_step', ['treatment' => $treatment, 'step' => $step] + $more);
    }

    private function done(Job $job, TestResponse $begun): void
    {
        $this->said($job, 'treatment_done', ['begun' => $begun->assertCreated()->json('entry.id')], '2026-03-02T10:30:00Z')->assertCreated();
    }

    public function test_a_bath_runs_stands_in_the_list_and_is_ended(): void
    {
        $job = $this->job();
        $page = fn (): TestResponse => $this->getJson("/api/jobs/{$job->id}/treatments")->assertOk();
        $page()->assertJsonPath('treatments', [])->assertJsonPath('open', true);
        $treatment = $this->chosen($job, 'slot brackets', 'rust', 'steel', 'electrolysis');
        self::assertSame(['next', 'later'], array_slice((array) $page()->json('treatments.0.steps.*.state'), 0, 2));
        self::assertContains('slot brackets: Degrease the part and scrape a bright spot for the clip.', array_column([
            (array) $this->getJson("/api/jobs/{$job->id}")->json('sheet.next'), ...(array) $this->getJson("/api/jobs/{$job->id}")->json('sheet.then'),
        ], 'text'));
        foreach ([1, 2, 3, 4] as $n) {
            $this->done($job, $this->step($job, $treatment, $n));
        }
        $this->getJson('/api/running')->assertExactJson([]);
        $bath = $this->step($job, $treatment, 5, ['vessel' => 'bath 1'])->assertCreated();
        self::assertStringContainsString('Until 2 Mar 10:14 UTC', self::text($bath->json('entry.says')));
        $running = $this->getJson('/api/running')->assertOk()->assertJsonCount(1)->assertJsonPath('0.occupies', 'bath 1')->assertJsonPath('0.hands', false)
            ->assertJsonPath('0.item.kind_words', 'Running')->assertJsonPath('0.item.is_due', true);
        self::assertStringStartsWith('over by ', self::text($running->json('0.when')));
        self::assertStringStartsWith('slot brackets: Let it run', self::text($running->json('0.item.text')));
        self::assertSame('running', $page()->json('treatments.0.steps.4.state'));
        self::assertSame(['bath 1'], $page()->json('vessels'));
        self::assertRefused($this->step($job, $treatment, 6), '/data/step');
        // What fits now: the look at the bath that is over comes first, then the clips; everything has its time and its job.
        $plan = $this->getJson('/api/fits-now')->assertOk()->assertJsonPath('proved', true);
        $clips = collect((array) $plan->json('steps'))->firstWhere('text', 'slot brackets: Supply off, then take the clips off.');
        self::assertSame(
            [$job->label(), '1 min', 'when it is over: '.self::text($running->json('0.item.text'))],
            [$clips['job_label'] ?? null, $clips['minutes'] ?? null, $clips['because'] ?? null],
        );
        $this->done($job, $bath);
        $this->getJson('/api/running')->assertExactJson([]);
        self::assertSame('next', $page()->json('treatments.0.steps.5.state'));
        self::assertRefused($this->said($job, 'treatment_done', ['begun' => $bath->json('entry.id')]), '/data/begun');
        self::assertRefused($this->step($job, $treatment, 8), '/data/step');
        self::assertRefused($this->step($job, self::ulid(), 1), '/data/treatment');
        // Taken back, it runs again.
        $ended = collect((array) $this->getJson("/api/jobs/{$job->id}")->json('entries'))->where('kind', 'treatment_done')->last()['id'] ?? '';
        $this->add($job, ['kind' => 'withdrawn', 'text' => 'not yet', 'corrects' => $ended, 'at' => '2026-03-02T11:00:00Z'])->assertCreated();
        $this->getJson('/api/running')->assertJsonCount(1);
    }

    public function test_what_must_never_meet_is_refused_across_jobs_people_and_treatments(): void
    {
        $one = $this->job();
        $brackets = $this->chosen($one, 'slot brackets', 'rust', 'steel', 'vinegar_soak');
        $this->done($one, $this->step($one, $brackets, 1));
        $soak = $this->step($one, $brackets, 2, ['vessel' => 'tub 2'])->assertCreated();
        // Somebody else, on another machine, would pour peroxide into the same tub.
        $two = $this->job('curlew-16', 'cpu');
        $this->as(Role::Lead);
        $cover = $this->chosen($two, 'cover', 'yellowing', 'abs', 'vapour_brightening');
        $refused = $this->step($two, $cover, 2, ['vessel' => 'tub 2']);
        self::assertRefused($refused, '/data/vessel');
        $says = self::text($refused->json('errors.0.detail'));
        foreach (['hydrogen peroxide and vinegar (acetic acid)', 'peracetic acid', "slot brackets of {$one->label()}", 'Never mix them'] as $words) {
            self::assertStringContainsString($words, $says);
        }
        // Two parts in one bath at once, even of one kind.
        $screws = $this->chosen($two, 'screws', 'rust', 'steel', 'vinegar_soak');
        $taken = $this->step($two, $screws, 2, ['vessel' => 'tub 2']);
        self::assertRefused($taken, '/data/vessel');
        self::assertStringStartsWith('tub 2 is taken: slot brackets of', self::text($taken->json('errors.0.detail')));
        $this->step($two, $cover, 2, ['vessel' => 'box'])->assertCreated();
        // What runs by itself is said in a line, takes its place up, and is ended the same way.
        $this->line($two, 'runs 24 h drying of the board in oven');
        self::assertRefused($this->said($two, 'runs', ['what' => 'glue', 'minutes' => 30, 'occupies' => 'oven']), '/data/occupies');
        $oven = collect((array) $this->getJson('/api/running')->json())->firstWhere('occupies', 'oven');
        self::assertSame(['drying of the board', 'treatment_done'], [$oven['item']['text'] ?? null, $oven['item']['ends']['kind'] ?? null]);
        $this->add($two, ['kind' => 'treatment_done', 'data' => ['begun' => $oven['item']['id'] ?? '']])->assertCreated();
        // On the same part without a rinse between: vinegar, then peroxide.
        $this->done($one, $soak);
        $bright = $this
            ->said($one, 'treatment', ['part' => 'slot brackets', 'damage' => 'dirt', 'material' => 'steel', 'means' => 'alcohol_swab'])
            ->assertCreated()
            ->json('entry.id');
        $this->step($one, self::text($bright), 1)->assertCreated();
        $this->getJson('/api/running')->assertJsonCount(2);
        // An acid with steel in a shut vessel.
        $shut = $this->step($two, $screws, 2, ['vessel' => 'jar', 'closed' => true]);
        self::assertRefused($shut, '/data/step');
        self::assertStringContainsString('make hydrogen', self::text($shut->json('errors.0.detail')));
    }

    public function test_the_means_stand_side_by_side_with_what_rules(): void
    {
        $this->job();
        $page = $this->getJson('/api/treatments/choices?damage=rust&material=steel&flags=moving')->assertOk();
        self::assertSame(['brush_oil', 'vinegar_soak', 'fibre_pen', 'rust_converter', 'electrolysis'], $page->json('choices.*.id'));
        self::assertSame(['fits', 'with_care', 'no', 'no', 'no'], $page->json('choices.*.verdict'));
        self::assertRefused($this->getJson('/api/treatments/choices?damage=rust&material=cheese'), '/material');
        self::assertRefused($this->getJson('/api/treatments/choices?damage=rust'), '/material');
        self::assertRefused($this->getJson('/api/treatments/choices?damage=rust&material=steel&flags=tired'), '/flags');
        $job = $this->job();
        self::assertRefused(
            $this->said($job, 'treatment', ['part' => 'lid', 'damage' => 'rust', 'material' => 'aluminium', 'means' => 'electrolysis']),
            '/data/means',
        );
    }

    /** A picture with a yellowed part, a clean patch and a grey card, and one of its places too bright to be read. */
    private function picture(Job $job): string
    {
        $image = imagecreatetruecolor(1000, 500) ?: self::fail('no picture');
        foreach ([[196, 178, 134], [214, 209, 196], [128, 126, 120], [255, 255, 255]] as $i => $rgb) {
            imagefilledrectangle($image, 250 * $i, 0, 250 * $i + 249, 499, (int) imagecolorallocate($image, ...$rgb));
        }
        ob_start();
        imagejpeg($image, null, 95);
        $id = self::ulid();
        $this->as(Role::Technician)->post("/api/jobs/{$job->id}/photos", [
            'id' => $id, 'entry' => self::ulid(), 'at' => '2026-03-01T11:00:00Z', 'caption' => 'the lid',
            'file' => UploadedFile::fake()->createWithContent('lid.jpg', (string) ob_get_clean()),
        ], ['Accept' => 'application/json'])->assertCreated();

        return $id;
    }

    public function test_colours_are_read_from_the_stored_picture(): void
    {
        $job = $this->job();
        $photo = $this->picture($job);
        $spot = static fn (float $x): array => ['x' => $x, 'y' => 0.5];
        $data = [
            'photo' => $photo, 'part' => 'lid', 'places' => [$spot(0.125)], 'reference' => $spot(0.375), 'grey' => $spot(0.625), 'radius' => 0.03,
            'hours' => 0,
        ];
        $read = $this->said($job, 'colour', $data)->assertCreated();
        // `bin/ash treatments colour` of the same figures, within what JPEG keeps.
        $compared = json_decode((new \Ash\Treatments\TreatmentsRoom())->verbs()['colour']->answer(
            '{"before": {"r": 196, "g": 178, "b": 134}, "reference": {"r": 214, "g": 209, "b": 196}, "grey": {"r": 128, "g": 126, "b": 120}}',
        ), true);
        self::assertIsArray($compared);
        self::assertEqualsWithDelta($compared['delta_before'], $this->getJson("/api/jobs/{$job->id}/treatments")->json('colours.0.readings.0.delta'), 0.3);
        self::assertStringStartsWith('lid: ', self::text($read->json('entry.says')));
        self::assertSame('two readings some hours apart say when it may match', $this->getJson("/api/jobs/{$job->id}/treatments")->json('colours.0.says'));
        // Some hours later it is the reference: before and now side by side, and the curve between.
        $this->said($job, 'colour', ['places' => [$spot(0.375)], 'hours' => 20] + $data, '2026-03-03T10:00:00Z')->assertCreated();
        $page = $this
            ->getJson("/api/jobs/{$job->id}/treatments")
            ->assertOk()
            ->assertJsonPath('colours.0.progress', '100 %')
            ->assertJsonPath('colours.0.tolerance', 2);
        self::assertEqualsWithDelta($compared['delta_before'], (float) self::text($page->json('colours.0.change')), 0.4);
        self::assertStringStartsWith('/photos/', self::text($page->json('colours.0.readings.0.picture')));
        self::assertGreaterThan(
            (float) self::text($page->json('colours.0.readings.1.yellowness')),
            (float) self::text($page->json('colours.0.readings.0.yellowness')),
        );
        // The bright place is clipped; so is a card there; a photo of another job is none here.
        $clipped = $this->said($job, 'colour', ['grey' => $spot(0.875)] + $data);
        self::assertRefused($clipped, '/data/grey');
        self::assertStringContainsString('Take the picture again', self::text($clipped->json('errors.0.detail')));
        self::assertRefused($this->said($job, 'colour', ['places' => [$spot(0.125), $spot(0.875)]] + $data), '/data/places/1');
        self::assertRefused($this->said($job, 'colour', ['places' => []] + $data), '/data/places');
        self::assertRefused($this->said($job, 'colour', ['photo' => self::ulid()] + $data), '/data/photo', 'not a photo of this job');
        $file = \App\Logbook\Photo::query()->findOrFail($photo)->file();
        rename($file, "{$file}.away");
        self::assertRefused($this->said($job, 'colour', $data), '/data/photo', 'not brought in');
        rename("{$file}.away", $file);
        self::assertRefused($this->said($job, 'colour', ['radius' => 0.5] + $data), '/data/radius');
        self::assertRefused($this->said($job, 'colour', ['reference' => $spot(1.5)] + $data), '/data/reference/x');
        $other = $this->job('curlew-16', 'cpu');
        self::assertRefused($this->said($other, 'colour', $data), '/data/photo');
    }

    public function test_what_is_promised_goes_first_and_ends_with_the_job(): void
    {
        $this->job();
        $other = $this->job();
        $running = fn (): array => array_map(static fn (array $it): string => "{$it['item']['kind_words']} {$it['item']['due']}", array_values(array_filter(
            (array) $this->getJson('/api/running')->assertOk()->json(), static fn (array $it): bool => $it['item']['job_id'] === $other->id,
        )));
        $this->line($other, 'promised 2026-03-05');
        self::assertSame(['Promised back 2026-03-05T17:00:00.000Z'], $running());
        $second = $this->line($other, 'promised by 2026-03-04 12:30');
        self::assertSame(['Promised back 2026-03-04T12:30:00.000Z'], $running());
        $plan = (array) $this->getJson('/api/fits-now')->assertOk()->json('steps');
        self::assertSame($other->id, $plan[0]['job_id']);
        self::assertStringStartsWith('promised', $plan[0]['because']);
        $this->add($other, ['kind' => 'withdrawn', 'corrects' => $second, 'text' => 'misheard'])->assertCreated();
        self::assertSame(['Promised back 2026-03-05T17:00:00.000Z'], $running());
        $this->add($other, ['kind' => 'outcome', 'data' => ['outcome' => 'not_economic', 'handed_back' => false], 'text' => 'too dear'])->assertCreated();
        self::assertSame([], $running());
        $this->add($other, ['kind' => 'reopened', 'text' => 'they pay after all'])->assertCreated();
        self::assertSame(['Promised back 2026-03-05T17:00:00.000Z'], $running());
    }
}
