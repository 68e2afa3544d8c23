<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Job;
use App\People\Role;
use App\Report\MakePaper;
use App\Report\Printer;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The report on screen, as PDF, and behind an owner's link. */
final class ReportTest extends TestCase
{
    private function finished(): Job
    {
        $job = $this->job();
        $this->line($job, 'symptom stops in the cold <script>alert(1)</script>');
        $this->line($job, 'battery leaking');
        $this->add($job, ['kind' => 'gate', 'data' => ['gate' => 'leaking_cell', 'reason' => 'the owner wants it heard once']])->assertCreated();
        $this->line($job, 'battery removed');
        $run = $this->railRun($job);
        $this->reading($job, $run, '+12', 'regulator U52 out', 10.9, more: ['ripple_mvpp' => 300])->assertCreated();
        $this->line($job, 'replaced C52 2200u 16V -> 2200u 25V from shelf dc 2417');
        $this->goodRun($job);
        $this->line($job, 'temp fan on a bench supply');
        $this->line($job, 'undid fan');
        $this->add(
            $job,
            [
                'kind' => 'outcome',
                'data' => [
                    'outcome' => 'fixed_with_limits',
                    'handed_back' => true,
                    'limits' => ['not above 35 degrees', 'bit 7 weekly'],
                    'next_time' => 'look at C51',
                ],
            ],
        )->assertCreated();

        return $job->refresh();
    }

    private const SAID = [
        'Fixed with limits, handed back. Limits: not above 35 degrees; bit 7 weekly. Next time: look at C51', 'stops in the cold',
        '+12 at regulator U52 out', '10.9 V', '300 mVpp', '11.4 V to 12.6 V (tight)',
        'C52: 2200u 16V to 2200u 25V, from shelf, date code 2417', 'fan on a bench supply', 'undone',
        'Gate 1: battery, because the owner wants it heard once', 'local electrical codes',
    ];

    public function test_the_report_says_everything_and_escapes_it(): void
    {
        $job = $this->finished();
        $html = (string) $this->as(Role::Viewer)->get("/jobs/{$job->id}/report/sheet")->assertOk()->getContent();
        $text = preg_replace('/\s+/', ' ', html_entity_decode(strip_tags($html))) ?? '';
        foreach (self::SAID as $words) {
            self::assertStringContainsString($words, $text);
        }
        self::assertStringNotContainsString('<script>', $html);
    }

    public function test_the_pdf_says_the_same(): void
    {
        $job = $this->finished();
        $text = $this->paper($job);
        foreach (['Fixed with limits', 'not above 35 degrees', '10.9 V', 'date code 2417', 'Gates passed', 'page 1 of '] as $words) {
            self::assertStringContainsString($words, $text);
        }
        $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/paper")->assertOk()->assertJson(['state' => null, 'says' => '']);
    }

    /** What is written on the PDF. */
    private function paper(Job $job): string
    {
        $pdf = $this->as(Role::Viewer)->get("/jobs/{$job->id}/report.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf');
        $answer = $pdf->baseResponse;
        self::assertInstanceOf(BinaryFileResponse::class, $answer);

        return preg_replace('/\s+/', ' ', (string) shell_exec("pdftotext -layout {$answer->getFile()->getPathname()} -")) ?? '';
    }

    public function test_a_long_report_is_made_in_the_background_in_parts_that_are_numbered_through(): void
    {
        $job = $this->job();
        $lines = 2 * Printer::PART + 10;
        for ($i = 1; $i <= $lines; ++$i) {
            $this->line($job, "note line {$i}.");
        }
        $this->as(Role::Viewer);
        foreach (['waits for its turn', 'waits for its turn'] as $says) {
            $this->get("/jobs/{$job->id}/report.pdf")->assertStatus(202)->assertSee($says);
        }
        self::assertSame([1, 1], [DB::table('queued')->count(), DB::table('papers')->count()], 'who asks twice asks for one');
        DB::table('papers')->update(['state' => 'making', 'done' => 150]);
        $card = $this->getJson("/api/jobs/{$job->id}/paper")->assertOk();
        self::assertStringContainsString('150 of '.$lines, self::text($card->json('says')));
        self::assertSame(0, Artisan::call('queue:work', ['--once' => true, '--quiet' => true]));
        $this->getJson("/api/jobs/{$job->id}/paper")->assertOk()->assertJson(['state' => 'there', 'done' => $lines, 'total' => $lines]);

        $text = $this->paper($job->refresh());
        preg_match_all('/line (\d+)\./', $text, $m);
        self::assertSame(range(1, $lines), array_map(intval(...), $m[1]), 'each once, in order');
        preg_match_all('/page (\d+) of (\d+)/', $text, $m);
        self::assertSame([range(1, count($m[1])), [count($m[1])]], [array_map(intval(...), $m[1]), array_values(array_map(intval(...), array_unique($m[2])))]);
        self::assertSame([1, 1], [substr_count($text, 'Taken in'), substr_count($text, 'local electrical codes')]);
        self::assertSame([], glob(storage_path('app/papers/*.pdf.*')), 'no part is left behind');

        // What was added since is not on it: it is made anew. One that failed is tried again, after a minute.
        $this->line($job, 'note one more');
        $this->as(Role::Viewer)->get("/jobs/{$job->id}/report.pdf")->assertStatus(202);
        (new MakePaper(self::text(DB::table('papers')->where('state', 'waiting')->value('id'))))->failed(null);
        $this->get("/jobs/{$job->id}/report.pdf")->assertStatus(202)->assertSee('could not be made');
        $this->travel(2)->minutes();
        $this->get("/jobs/{$job->id}/report.pdf")->assertStatus(202)->assertSee('waits for its turn');
        $this->travel(9)->days();
        $this->get("/jobs/{$job->id}/report.pdf")->assertStatus(202);
        self::assertSame([1, []], [DB::table('papers')->count(), glob(storage_path('app/papers/*.pdf'))], 'old ones go');
    }

    public function test_an_owners_link_shows_one_report_until_it_expires_or_is_taken_back(): void
    {
        $job = $this->finished();
        self::assertRefused($this->as(Role::Lead)->postJson("/api/jobs/{$job->id}/report-links", ['days' => 0]), '/days');
        $link = $this->as(Role::Lead)->postJson("/api/jobs/{$job->id}/report-links", ['days' => 7])->assertCreated();
        $address = self::text($link->json('url'));
        $this->app->make('auth')->forgetGuards();

        $page = $this->get($address)->assertOk()->assertSee('Fixed with limits')->assertHeader('X-Robots-Tag', 'noindex');
        self::assertStringContainsString('no-store', (string) $page->headers->get('Cache-Control'));
        $this->get(str_replace('signature=', 'signature=0', $address))->assertStatus(403);
        $this->get((string) preg_replace('/expires=\d+/', 'expires=9999999999', $address))->assertStatus(403);
        $this->get((string) preg_replace('#report/[^?]+#', 'report/'.self::ulid(), $address))->assertStatus(403);
        $this->travel(8)->days();
        $this->get($address)->assertStatus(403);
        $this->travelBack();
        $this->as(Role::Lead)->deleteJson('/api/report-links/'.self::text($link->json('id')))->assertOk()->assertJsonPath('open', false);
        $this->get($address)->assertStatus(403);
    }
}
