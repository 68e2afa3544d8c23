<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Board;
use App\Logbook\Entry;
use App\Logbook\House;
use App\Logbook\Job;
use App\People\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;

/** A file is not trusted: it passes the door of what is written here, and touches nothing that it does not bring along. */
final class ImportTest extends TestCase
{
    /** @return array<string, mixed> the record of a board as somebody else would send it: without our signature */
    private function exported(Job $job): array
    {
        $document = json_decode(self::file($this->as(Role::Viewer)->get("/boards/{$job->board_id}/record.json")->assertOk()), true);
        self::assertIsArray($document);
        unset($document['signature']);

        return $document;
    }

    /**
     * The same record with every identifier new, as another workshop's.
     *
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private static function foreign(array $document): array
    {
        $new = [];
        $text = preg_replace_callback('/"[0-7][0-9A-HJKMNP-TV-Z]{25}"/i', static function (array $m) use (&$new): string {
            return $new[$m[0]] ??= '"'.self::ulid().'"';
        }, json_encode($document, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));

        return json_decode((string) $text, true);
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function send(array $document): TestResponse
    {
        $text = preg_replace('/"(data|condition|bus)":\[\]/', '"$1":{}', json_encode($document, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));

        return $this->as(Role::Technician)->call(
            'POST',
            '/api/boards/import',
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: (string) $text,
        );
    }

    private function storied(): Job
    {
        $job = $this->job();
        $this->line($job, 'symptom stops in the cold');
        $run = $this->railRun($job);
        $this->reading($job, $run, '+12', 'regulator U52 out', 10.9)->assertCreated();
        $this->line($job, 'temp bridged F2');
        $this->line($job, 'waiting for a fuse asked of the stores');

        return $job->refresh();
    }

    public function test_another_workshops_board_of_the_same_name_is_another_board(): void
    {
        $job = $this->storied();
        $before = $this->exported($job);
        $brought = $this->send(self::foreign($before))->assertCreated();
        self::assertNotSame($job->board_id, $brought->json('id'));
        self::assertSame($before, $this->exported($job), 'ours is as it was');
        $board = Board::query()->findOrFail($brought->json('id'));
        self::assertNotSame($job->machine_id, $board->machine_id);
        $other = Job::query()->where('board_id', $board->id)->firstOrFail();
        self::assertTrue($other->imported);
        foreach (['', '/memory', '/capacitors', '/battery', '/corrosion', '/strip', '/soak', '/rail-runs'] as $page) {
            $this->as(Role::Viewer)->getJson("/api/jobs/{$other->id}{$page}")->assertOk();
        }
        self::assertSame('imported, as it was written by Technician', $this->getJson("/api/jobs/{$other->id}")->json('entries.0.author'));
    }

    public function test_what_came_in_may_be_added_to_and_two_imports_are_one(): void
    {
        $document = self::foreign($this->exported($this->storied()));
        $more = [...$document, 'entries' => array_slice($document['entries'], 0, 2)];
        self::assertSame(2, $this->send($more)->assertCreated()->json('entries'));
        self::assertSame(count($document['entries']) - 2, $this->send($document)->assertCreated()->json('entries'));
        self::assertSame(0, $this->send($document)->assertCreated()->json('entries'));
        $changed = $document;
        $changed['jobs'][0]['title'] = 'Another title';
        self::assertRefused($this->send($changed), '/jobs/0/id', 'another job', 409);
    }

    public function test_only_the_workshops_own_export_puts_back_what_is_missing_here(): void
    {
        $job = $this->storied();
        $own = json_decode(self::file($this->as(Role::Viewer)->get("/boards/{$job->board_id}/record.json")), true);
        self::assertIsArray($own);
        $forged = $own;
        $forged['entries'][] = [...$own['entries'][0], 'id' => self::ulid(), 'kind' => 'observation', 'text' => 'put in from outside'];
        self::assertRefused($this->send($forged), '/jobs/0/id', 'job of this workshop', 409);
        unset($forged['signature']);
        self::assertRefused($this->send($forged), '/jobs/0/id', 'job of this workshop', 409);
        // As after a loss: the job stands as one that was written here, two of its entries are gone.
        $kept = self::foreign([...$own, 'signature' => '']);
        unset($kept['signature']);
        self::assertSame(3, $this->send([...$kept, 'entries' => array_slice($kept['entries'], 0, 3)])->assertCreated()->json('entries'));
        Job::query()->whereKey($kept['jobs'][0]['id'])->update(['imported' => false]);
        self::assertRefused($this->send($kept), '/jobs/0/id', 'job of this workshop', 409);
        $text = json_encode($kept, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
        $canonical = \Ash\Document\Json::canonical(json_decode(str_replace('"data":[]', '"data":{}', $text)));
        $signed = [...$kept, 'signature' => hash_hmac('sha256', $canonical, self::text(config('app.key')))];
        self::assertSame(count($kept['entries']) - 3, $this->send($signed)->assertCreated()->json('entries'));
    }

    public function test_a_setting_and_a_chain_that_could_not_be_typed_do_not_come_in_by_a_file(): void
    {
        $job = $this->job();
        $this->line($job, 'setting serial card: JP3 irq: 1-2 4, 2-3 3*');
        $this->line($job, 'chain host 7 terminated, disc 1 0 terminated');
        $document = self::foreign($this->exported($job));
        foreach (['at' => [5, 'none of the ways'], 'options' => [[], 'at least one']] as $field => [$value, $why]) {
            $wrong = $document;
            $wrong['entries'][0]['data'][$field] = $value;
            self::assertRefused($this->send($wrong), "/entries/0/data/{$field}", $why);
        }
        $wrong = $document;
        $wrong['entries'][1]['data']['chain'][1]['name'] = 'host';
        self::assertRefused($this->send($wrong), '/entries/1/data/chain/1/name', 'twice');
        $this->send($document)->assertCreated();
    }

    private static function runOf(Job $job): mixed
    {
        return DB::table('runs')->where('job_id', $job->id)->value('id');
    }

    /** @return array<string, array{\Closure(array<string, mixed>, Job, string): array<string, mixed>, string}> what a file tries, and where it is refused */
    public static function tries(): array
    {
        $entry = static fn (array $document, int $n, array $fields): array => array_replace_recursive($document, ['entries' => [$n => $fields]]);

        return [
            'withdraws what lies in our job' => [
                static fn (array $d, Job $job, string $hazard): array => $entry($d, 0, ['kind' => 'withdrawn', 'data' => [], 'corrects' => $hazard]),
                '/entries/0/corrects',
            ],
            'says that our hazard is undone' => [
                static function (array $d, Job $job, string $hazard): array {
                    $d['entries'][0] = [...$d['entries'][0], 'kind' => 'undone', 'data' => ['hazard' => $hazard], 'text' => 'x'];

                    return $d;
                },
                '/entries/0/data/hazard',
            ],
            'reads in a run of ours' => [
                static fn (array $d, Job $job): array => $entry(
                    $d,
                    (int) array_search('reading', array_column($d['entries'], 'kind'), true),
                    ['data' => ['run' => DB::table('runs')->where('job_id', $job->id)->value('id')]],
                ),
                '/entries/1/data/run',
            ],
            'takes a run of ours for its own' => [
                static fn (array $d, Job $job): array => array_replace_recursive($d, ['runs' => [['id' => self::runOf($job)]]]),
                '/runs/0/id',
            ],
            'repeats a run of ours' => [
                static fn (array $d, Job $job): array => array_replace_recursive($d, ['runs' => [['repeats' => self::runOf($job)]]]),
                '/runs/0/repeats',
            ],
            'takes our job for its own' => [
                static function (array $d, Job $job): array {
                    $was = $d['jobs'][0]['id'];

                    return json_decode(str_replace($was, $job->id, json_encode($d, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)), true);
                },
                '/jobs/0/id',
            ],
            'comes from the year 2099' => [static fn (array $d): array => $entry($d, 0, ['at' => '2099-01-01T00:00:00.000Z']), '/entries/0/at'],
            'reopens what is open' => [static fn (array $d): array => $entry($d, 0, ['kind' => 'reopened', 'data' => []]), '/entries/0/kind'],
            'sits in another slot' => [static fn (array $d, Job $job): array => [...$d, 'board' => ['id' => $job->board_id, 'slot' => 'psu']], '/board/slot'],
            'has an entry of ours under another text' => [
                static fn (array $d, Job $job, string $hazard): array => $entry($d, 0, ['id' => $hazard]),
                '/entries/0/id',
            ],
        ];
    }

    /** @param \Closure(array<string, mixed>, Job, string): array<string, mixed> $spoil */
    #[DataProvider('tries')]
    public function test_a_file_touches_nothing_that_it_does_not_bring_along(\Closure $spoil, string $pointer): void
    {
        $job = $this->storied();
        $hazard = self::text(Entry::query()->where('job_id', $job->id)->where('kind', 'hazard')->value('id'));
        $count = static fn (): array => array_map(
            static fn (string $table): string => md5((string) json_encode(DB::table($table)->orderBy('id')->get())),
            ['machines', 'boards', 'jobs', 'entries', 'runs', 'open_items'],
        );
        $before = $count();
        $answer = $this->send($spoil(self::foreign($this->exported($job)), $job, $hazard));
        self::assertContains($answer->getStatusCode(), [409, 422], (string) $answer->getContent());
        self::assertContains($pointer, array_column((array) $answer->json('errors'), 'pointer'), (string) $answer->getContent());
        self::assertSame($before, $count());
    }

    public function test_a_file_that_names_our_machine_gets_one_of_its_own(): void
    {
        $job = $this->storied();
        $document = self::foreign($this->exported($job));
        $document['board'] = [...$document['board'], 'machine' => $job->machine_id, 'slot' => 'main'];
        $boards = DB::table('boards')->where('machine_id', $job->machine_id)->orderBy('id')->get()->toArray();
        $brought = $this->send($document)->assertCreated();
        self::assertNotSame($job->machine_id, Board::query()->findOrFail($brought->json('id'))->machine_id);
        self::assertEquals($boards, DB::table('boards')->where('machine_id', $job->machine_id)->orderBy('id')->get()->toArray());
    }

    public function test_every_fault_is_named(): void
    {
        $document = self::foreign($this->exported($this->storied()));
        $document['entries'][0]['at'] = '2099-01-01T00:00:00.000Z';
        $document['entries'][2]['data'] = ['zz' => 1];
        $document['entries'][3]['corrects'] = self::ulid();
        $pointers = array_column((array) $this->send($document)->assertStatus(422)->json('errors'), 'pointer');
        self::assertSame(['/entries/0/at', '/entries/2/data/zz', '/entries/3/corrects'], $pointers);
    }

    /** A poisoned entry of every kind there is: refused at the door, and where it stands in the record already no page fails because of it. */
    public function test_no_page_fails_because_of_one_entry(): void
    {
        $job = $this->storied();
        $document = self::foreign($this->exported($job));
        $poisons = [[], ['zz' => [1]], ['what' => 'zz', 'fixings' => [1]]];
        $poisons[] = ['form' => 1, 'run' => 7, 'cap' => [], 'map' => null, 'state' => 'zz', 'to' => 3, 'test' => ''];
        foreach (House::here()->hall->kinds->all as $kind) {
            foreach ($poisons as $n => $poison) {
                $refused = $document;
                $refused['entries'] = [[...$document['entries'][0], 'kind' => $kind->name, 'data' => $poison === [] ? new \stdClass() : $poison]];
                $answer = $this->send($refused);
                self::assertLessThan(500, $answer->getStatusCode(), "{$kind->name} {$answer->getContent()}");
                $n === 3 && self::assertSame(422, $answer->getStatusCode(), "{$kind->name} {$answer->getContent()}");
                DB::table('entries')->insert([
                    'id' => self::ulid(), 'job_id' => $job->id, 'board_id' => $job->board_id, 'kind' => $kind->name, 'stage' => 'find', 'text' => 'poison',
                    'at' => '2026-03-02 09:00:00.000', 'author' => 'Nobody', 'minutes' => 0, 'data' => json_encode((object) $poison), 'fingerprint' => '',
                    'received_at' => '2026-03-02 09:00:00.000',
                ]);
            }
        }
        foreach (['', '/memory', '/capacitors', '/battery', '/corrosion', '/strip', '/soak', '/rail-runs', '/photos'] as $page) {
            $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}{$page}")->assertOk();
        }
        foreach (["/api/boards/{$job->board_id}", '/api/bench', '/api/shopping', '/api/jobs'] as $page) {
            $this->getJson($page)->assertOk();
        }
        foreach (["/jobs/{$job->id}/report/sheet", "/boards/{$job->board_id}/record.json", "/boards/{$job->board_id}/readings.csv"] as $page) {
            $this->get($page)->assertOk();
        }
        self::assertStringContainsString('cannot be read here', (string) $this->getJson("/api/jobs/{$job->id}")->getContent());
        $this->line($job, 'note the work goes on');
    }
}
