<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\House;
use App\Logbook\OpenItem;
use App\People\Role;
use App\Rooms;
use Ash\Logbook\Hall;
use Ash\Tests\Trial\TrialRoom as CoreTrialRoom;
use Tests\Trial\TrialRoom;

/** A room that exists in the tests only plugs into the application: with its folders and a line in each list, and with nothing else. */
final class TrialRoomTest extends TestCase
{
    public function createApplication(): \Illuminate\Foundation\Application
    {
        getenv('ASH_VAR') !== false ?: throw new \RuntimeException('run these with bin/test http');
        /** @var \Illuminate\Foundation\Application $app */
        $app = require __DIR__.'/../../bootstrap/app.php';
        $app->booting(static fn () => $app->instance(House::class, new House(
            new Hall(...\Ash\Rooms::all(), ...[new CoreTrialRoom()]),
            [...Rooms::all(), new TrialRoom()],
        )));
        $app->make(\Illuminate\Contracts\Console\Kernel::class)->bootstrap();

        return $app;
    }

    public function test_its_entries_stand_in_the_record_and_its_findings_on_the_job(): void
    {
        $job = $this->job();
        $this->line($job, 'symptom dead');
        $this->line($job, 'smells of sulphur');
        $page = $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}");
        $page->assertJsonPath('sheet.next.text', 'Air the board.')->assertJsonPath('sheet.next.room', 'trial');
        self::assertContains('It smells of sulphur', (array) $page->json('sheet.known'));
        self::assertContains('smells of fish', array_column((array) $page->json('examples'), 'example'));
        $this->getJson("/api/jobs/{$job->id}/smells")->assertOk()->assertExactJson(['Smells of sulphur, 5 of 5. smells of sulphur']);
    }

    public function test_it_refuses_completes_follows_and_takes_back(): void
    {
        $job = $this->job();
        $this->add($job, ['kind' => 'sniffed', 'data' => ['of' => 'roses']])->assertUnprocessable()->assertJsonPath('errors.0.pointer', '/data/of');
        $this->add($job, ['kind' => 'sniffed', 'data' => ['of' => 'x', 'smoke' => 1]])->assertUnprocessable();
        $id = self::text($this->add($job, ['kind' => 'sniffed', 'data' => ['of' => 'sulphur']])->assertCreated()->json('entry.id'));
        $page = $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}");
        $page->assertJsonPath('open_items.0.kind_words', 'To air')->assertJsonPath('open_items.0.text', 'sulphur');
        self::assertContains('Smells of sulphur, 5 of 5', array_column((array) $page->json('entries'), 'says'));
        $this->add($job, ['kind' => 'withdrawn', 'text' => 'withdrawn', 'corrects' => $id])->assertCreated();
        self::assertFalse(OpenItem::query()->where('job_id', $job->id)->where('open', true)->exists(), 'what it opened is closed with it');
        $this->getJson("/api/jobs/{$job->id}/smells")->assertExactJson([]);
    }

    public function test_it_is_in_the_exports_the_report_and_the_commands(): void
    {
        $job = $this->job();
        $this->line($job, 'smells of fish');
        $document = self::file($this->as(Role::Lead)->get("/boards/{$job->board_id}/record.json"));
        self::assertStringContainsString('sniffed', $document);
        $this->as(Role::Technician)->postJson('/api/compute/trial/air', ['strength' => 2])->assertOk()->assertJsonPath('minutes', 20);
        $this->as(Role::Viewer)->get("/jobs/{$job->id}/report/sheet")->assertOk()->assertSee('Smells');
        self::assertContains('sniffed', array_column((array) $this->getJson('/api/entry-kinds')->json(), 'kind'));
    }

    public function test_without_its_line_what_it_wrote_stays_and_counts_for_nothing(): void
    {
        $job = $this->job();
        $this->line($job, 'smells of fish');
        $this->app->instance(House::class, Rooms::house());
        $this->line($job, 'symptom dead');
        $page = $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}")->assertOk();
        self::assertContains('sniffed', array_column((array) $page->json('entries'), 'kind'));
        self::assertNotContains('It smells of fish', (array) $page->json('sheet.known'));
        $this->as(Role::Lead)->get("/boards/{$job->board_id}/record.json")->assertOk();
        $this->getJson("/api/boards/{$job->board_id}")->assertOk();
    }
}
