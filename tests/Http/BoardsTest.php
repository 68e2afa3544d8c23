<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Board;
use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Kind;
use App\Logbook\Machine;
use App\People\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;

/** A board has its own record for life: it comes alone, goes into a machine, comes out, lies on the shelf; both sides say so. */
final class BoardsTest extends TestCase
{
    /**
     * @param array<string, mixed> $body
     */
    private function takeIn(array $body): Job
    {
        $answer = $this->as(Role::Technician)->postJson('/api/intake', ['id' => self::ulid(), 'at' => '2026-03-01T09:00:00Z', ...$body])->assertCreated();

        return Job::query()->findOrFail(self::text($answer->json('id')));
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function moved(Job $job, array $data): TestResponse
    {
        return $this->add($job, ['kind' => 'board_moved', 'data' => $data]);
    }

    public function test_a_board_that_came_alone_is_measured_like_any_other(): void
    {
        $read = $this->as(Role::Technician)->postJson('/api/intake/read', ['line' => 'board: Gull video card #7, from the museum, no picture'])->assertOk();
        self::assertSame(['Gull video card', '7', 'the museum', 'no picture', true], [
            $read->json('machine'), $read->json('serial'), $read->json('owner'), $read->json('symptom'), $read->json('alone'),
        ]);
        $job = $this->takeIn(['name' => 'Gull video card', 'serial' => '7', 'alone' => true]);
        $page = $this->getJson("/api/jobs/{$job->id}")->assertOk();
        self::assertSame(['in no machine', 'Gull video card'], [$page->json('job.machine'), $page->json('job.board')]);
        self::assertSame(0, Machine::query()->where('bare', false)->count(), 'no machine was made of it');
        self::assertSame([], $this->getJson('/api/machines')->assertOk()->json('machines'));
        $this->add($job, ['kind' => 'rails_said', 'data' => ['label' => '+5, -5']])->assertCreated();
        $said = $this->add($job, ['line' => 'rail +5 5.01 loaded'])->assertCreated();
        self::assertSame('reading', $said->json('entry.kind'));
        $board = $this->getJson("/api/boards/{$job->board_id}")->assertOk();
        self::assertSame([true, 'Gull video card', '7'], [$board->json('on_shelf'), $board->json('kind'), $board->json('board.serial')]);
        self::assertSame(['Gull video card'], array_column((array) $this->getJson('/api/boards?on_shelf=1')->json('boards'), 'name'));
    }

    public function test_boards_move_and_both_sides_say_so(): void
    {
        $job = $this->job();
        $machine = self::machine();
        $alone = $this->takeIn(['name' => 'Gull video card', 'alone' => true]);
        $sitting = Board::query()->findOrFail($job->board_id);
        $boards = Board::query()->count();
        self::assertRefused($this->moved($job, ['board' => self::ulid()]), '/data/board', 'no such board');
        self::assertRefused($this->moved($job, ['board' => $alone->board_id]), '/data/board', 'on the shelf already');
        self::assertRefused($this->moved($job, ['board' => $alone->board_id, 'to' => self::ulid(), 'place' => 'x']), '/data/to', 'no such machine');
        self::assertRefused($this->moved($job, ['board' => $alone->board_id, 'to' => $machine->id]), '/data', 'to and place');
        self::assertRefused($this->moved($job, ['board' => $alone->board_id, 'to' => $machine->id, 'place' => $sitting->slot]), '/data/place', 'is taken by');
        self::assertRefused($this->moved($job, ['board' => $sitting->id, 'to' => $machine->id, 'place' => 'other']), '/data/board', 'take it out there first');

        $out = $this->moved($job, ['board' => $sitting->id])->assertCreated();
        self::assertStringContainsString("{$sitting->name} taken out of {$machine->name}, onto the shelf", self::text($out->json('entry.says')));
        self::assertTrue($this->getJson("/api/boards/{$sitting->id}")->json('on_shelf'));
        self::assertSame([$sitting->slot], array_column((array) $this->getJson("/api/machines/{$machine->id}")->json('empty'), 'value'));
        $in = $this->moved($job, ['board' => $alone->board_id, 'to' => $machine->id, 'place' => $sitting->slot, 'lent' => true])->assertCreated();
        self::assertStringContainsString('lent as a known-good one in', self::text($in->json('entry.says')));
        $been = (array) $this->getJson("/api/boards/{$alone->board_id}")->json('moves');
        self::assertSame(
            [['the shelf', "{$machine->name}, {$sitting->slot}", true]],
            array_map(static fn (array $it): array => [$it['from'], $it['into'], $it['lent']], $been),
        );
        self::assertCount(2, (array) $this->getJson("/api/machines/{$machine->id}")->json('moves'));
        self::assertContains($in->json('entry.id'), array_column((array) $this->getJson("/api/boards/{$alone->board_id}")->json('entries'), 'id'));
        // A lesson for the kind afterwards makes no other board for the place, and does not rename the lent one.
        $this->add($job, ['kind' => 'rails_said', 'data' => ['label' => '+3.3']]);
        self::assertSame('Gull video card', Board::query()->findOrFail($alone->board_id)->name);
        self::assertSame([$boards, 2], [Board::query()->count(), Board::query()->whereIn('id', [$sitting->id, $alone->board_id])->count()]);

        // Written down by mistake: taken back, latest first.
        $undo = fn (string $id): TestResponse => $this->add($job, ['kind' => 'withdrawn', 'text' => 'not so', 'corrects' => $id]);
        self::assertRefused($undo(self::text($out->json('entry.id'))), '/corrects', 'another board sits');
        $undo(self::text($in->json('entry.id')))->assertCreated();
        $undo(self::text($out->json('entry.id')))->assertCreated();
        self::assertSame(
            [$machine->id, true],
            [Board::query()->findOrFail($sitting->id)->machine_id, $this->getJson("/api/boards/{$alone->board_id}")->json('on_shelf')],
        );
        self::assertSame([], $this->getJson("/api/boards/{$sitting->id}")->json('moves'));
    }

    public function test_lists_are_searched_and_paged(): void
    {
        for ($n = 1; $n <= 60; ++$n) {
            $this->takeIn(['name' => sprintf('Tern %02d', $n), 'serial' => "S{$n}x", ...($n === 7 ? ['owner' => 'Observatory shop'] : [])]);
        }
        $first = $this->getJson('/api/machines')->assertOk();
        self::assertSame(['Tern 01', 50], [$first->json('machines.0.name'), count((array) $first->json('machines'))]);
        $rest = $this->getJson('/api/machines?after='.self::text($first->json('next_after')))->assertOk();
        self::assertSame(['Tern 51', 10, null], [$rest->json('machines.0.name'), count((array) $rest->json('machines')), $rest->json('next_after')]);
        foreach (['tern 33' => 'Tern 33', 's41x' => 'Tern 41', 'observatory' => 'Tern 07'] as $search => $name) {
            self::assertSame([$name], array_column((array) $this->getJson('/api/machines?search='.rawurlencode($search))->json('machines'), 'name'), $search);
            self::assertCount(1, (array) $this->getJson('/api/boards?search='.rawurlencode($search))->json('boards'), $search);
        }
        self::assertSame([], $this->getJson('/api/machines?search=%25')->json('machines'), 'a sign of the database is a letter like any other');
        self::assertRefused($this->getJson('/api/machines?after=nonsense'), '/after', 'not a place');
    }

    public function test_an_entry_says_which_board_it_is_about(): void
    {
        $job = $this->job();
        $other = Board::query()->forceCreate(['machine_id' => self::machine()->id, 'slot' => 'card', 'name' => 'Card']);
        $this->add($job, ['kind' => 'observation', 'text' => 'brown ring', 'board' => $other->id])->assertCreated();
        self::assertSame($other->id, strtolower(self::text(Entry::query()->where('text', 'brown ring')->value('board_id'))));
        self::assertRefused($this->add($job, ['kind' => 'observation', 'text' => 'x', 'board' => self::ulid()]), '/board', 'not a board of this machine');
    }

    public function test_two_kinds_that_are_one_are_merged_with_a_look_at_it_first(): void
    {
        $one = $this->takeIn(['name' => 'Tern 4']);
        $two = $this->takeIn(['name' => 'Tern Four', 'owner' => 'Somebody, 12 Hill Road']);
        $this->add($one, ['kind' => 'rails_said', 'data' => ['label' => '+5 6A']])->assertCreated();
        $this->add($two, ['kind' => 'rails_said', 'data' => ['label' => '+5 4A, -12']])->assertCreated();
        [$a, $b] = [Machine::query()->findOrFail($one->machine_id), Machine::query()->findOrFail($two->machine_id)];
        $merge = fn (Role $role, string $of, array $body): TestResponse => $this->as($role)->postJson("/api/{$of}/merge", $body);
        $merge(Role::Technician, "kinds/{$a->kind_id}", ['other' => $b->kind_id])->assertForbidden();
        self::assertRefused($merge(Role::Lead, "kinds/{$a->kind_id}", ['other' => $a->kind_id]), '/other', 'same one');
        self::assertRefused($merge(Role::Lead, "machines/{$a->id}", ['other' => $b->id]), '/other', 'merge the kinds first');

        $seen = $merge(Role::Lead, "kinds/{$a->kind_id}", ['other' => $b->kind_id])->assertOk();
        self::assertSame([false, ['Tern Four']], [$seen->json('done'), $seen->json('moves')]);
        self::assertStringContainsString('stays', self::text($seen->json('conflicts.0')));
        self::assertSame(2, count((array) $this->getJson('/api/kinds')->json()), 'a look changes nothing');
        $merge(Role::Lead, "kinds/{$a->kind_id}", ['other' => $b->kind_id, 'done' => true])->assertOk();
        self::assertSame(['Tern 4'], array_column((array) $this->getJson('/api/kinds')->json(), 'name'));
        $kind = $this->getJson("/api/kinds/{$a->kind_id}");
        self::assertStringContainsString('-12', self::text(json_encode($kind->json('known'))));
        self::assertStringContainsString('merging Tern Four', self::text($kind->json('lessons.0.author')));
        self::assertRefused($merge(Role::Lead, "kinds/{$a->kind_id}", ['other' => $b->kind_id]), '/other', 'merged into another');

        // A kind that is renamed to one that is there: merging is offered.
        $third = Machine::query()->findOrFail($this->takeIn(['name' => 'Tern IV'])->machine_id);
        $renamed = str_replace('"name": "Tern IV"', '"name": "Tern 4"', $third->described->profile);
        self::assertRefused($this->as(Role::Lead)->call('PUT', "/api/machines/{$third->id}/profile", server: [
            'CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json',
        ], content: $renamed), '/name', 'merges them');

        // And the machines, which are one specimen: its record is shown whole, and no entry was rewritten.
        $this->add($two, ['kind' => 'observation', 'text' => 'seen under its other name'])->assertCreated();
        $seen = $merge(Role::Lead, "machines/{$a->id}", ['other' => $b->id])->assertOk();
        self::assertStringContainsString('is shown with that of', self::text($seen->json('moves.0')));
        $merge(Role::Lead, "machines/{$a->id}", ['other' => $b->id, 'done' => true])->assertOk();
        self::assertSame([$a->id, $third->id], array_column((array) $this->getJson('/api/machines')->json('machines'), 'id'));
        self::assertCount(2, (array) $this->getJson("/api/machines/{$a->id}")->json('jobs'));
        self::assertContains('seen under its other name', array_column((array) $this->getJson("/api/boards/{$one->board_id}")->json('entries'), 'says'));
        self::assertSame($two->board_id, Entry::query()->where('text', 'seen under its other name')->value('board_id'));

        self::assertSame('Somebody, 12 Hill Road', $this->getJson("/api/machines/{$a->id}")->json('machine.owner'));
        $this->as(Role::Technician)->deleteJson("/api/machines/{$a->id}/contact")->assertForbidden();
        $before = Entry::query()->count();
        $this->as(Role::Lead)->deleteJson("/api/machines/{$a->id}/contact")->assertNoContent();
        self::assertSame(
            [null, 'erased', $before],
            [$this->getJson("/api/machines/{$a->id}")->json('machine.owner'), $two->refresh()->owner, Entry::query()->count()],
        );
    }

    /** A card that came by post turns out to be the one that was known already: one record, nothing rewritten. */
    public function test_two_boards_that_are_one_are_merged_alone(): void
    {
        $here = $this->takeIn(['name' => 'Tern 4']);
        $post = $this->takeIn(['name' => 'Tern 4 main board', 'alone' => true]);
        $this->add($post, ['kind' => 'observation', 'text' => 'came by post'])->assertCreated();
        $merge = fn (Role $role, string $of, array $body): TestResponse => $this->as($role)->postJson("/api/boards/{$of}/merge", $body);
        $merge(Role::Technician, $here->board_id, ['other' => $post->board_id])->assertForbidden();
        self::assertRefused($merge(Role::Lead, $here->board_id, ['other' => $here->board_id]), '/other', 'same one');
        self::assertRefused($merge(Role::Lead, $post->board_id, ['other' => $here->board_id]), '/other', 'take it out there first');
        self::assertRefused($merge(Role::Lead, $here->board_id, ['other' => self::ulid()]), '/other', 'no such board');
        Board::query()->whereKey($post->board_id)->update(['serial' => 'P-7']);
        $seen = $merge(Role::Lead, $here->board_id, ['other' => $post->board_id])->assertOk();
        self::assertSame([false, []], [$seen->json('done'), $seen->json('conflicts')]);
        self::assertStringContainsString('is shown with that of', self::text($seen->json('moves.0')));
        $said = fn (): array => array_column((array) $this->getJson("/api/boards/{$here->board_id}")->assertOk()->json('entries'), 'says');
        self::assertNotContains('came by post', $said(), 'a look changes nothing');
        $merge(Role::Lead, $here->board_id, ['other' => $post->board_id, 'done' => true])->assertOk();
        self::assertContains('came by post', $said());
        self::assertSame('P-7', $this->getJson("/api/boards/{$here->board_id}")->json('board.serial'));
        self::assertSame($post->board_id, Entry::query()->where('text', 'came by post')->value('board_id'));
        self::assertNotContains($post->board_id, array_column((array) $this->getJson('/api/boards')->json('boards'), 'id'));
        self::assertRefused($merge(Role::Lead, $here->board_id, ['other' => $post->board_id]), '/other', 'merged into another already');
    }

    /** A leak and a memory are a board's own, as capacitors are: another board of the machine needs no second job. */
    public function test_a_leak_survey_and_a_memory_are_of_the_board_at_hand(): void
    {
        $job = $this->job('curlew-16', 'cpu');
        $card = Board::query()->where('machine_id', $job->machine_id)->where('slot', 'memory')->firstOrFail();
        $this->add($job, ['line' => 'leak R14 trace 3 12 mm signal'])->assertCreated();
        $this->add($job, ['line' => 'leak C3 trace 2 5 mm ground', 'board' => $card->id])->assertCreated();
        $page = fn (string $of = ''): TestResponse => $this->getJson("/api/jobs/{$job->id}/corrosion{$of}")->assertOk();
        self::assertSame([['R14 trace'], ['C3 trace']], [
            array_column((array) $page()->json('places'), 'place'), array_column((array) $page("?board={$card->id}")->json('places'), 'place'),
        ]);
        self::assertSame($card->name, $page("?board={$card->id}")->json('board'));
        $place = self::text($page("?board={$card->id}")->json('places.0.id'));
        $read = $this->add($job, ['kind' => 'continuity', 'data' => ['place' => $place, 'measured_ohm' => 'open', 'lead_ohm' => 0]])->assertCreated();
        self::assertSame(
            strtolower($card->id),
            strtolower((string) Entry::query()->findOrFail(self::text($read->json('entry.id')))->board_id),
            'it lies where its place was found',
        );
        self::assertRefused($this->getJson("/api/jobs/{$job->id}/corrosion?board=".self::ulid()), '/board', 'not a board of this machine');
        $this->getJson("/api/jobs/{$job->id}/memory?board={$card->id}")->assertOk()->assertJsonPath('board', $card->name)->assertJsonPath('map', 'card');
        self::assertRefused($this->getJson("/api/jobs/{$job->id}/memory?board=".self::ulid()), '/board', 'not a board of this machine');
    }

    public function test_a_rom_dump_hangs_on_its_kind_to_the_byte(): void
    {
        $job = $this->takeIn(['name' => 'Tern 4']);
        $kind = Machine::query()->findOrFail($job->machine_id)->kind_id;
        $keep = fn (string $id, ?UploadedFile $file, string $what = 'rom'): TestResponse => $this->as(Role::Technician)->post(
            "/api/kinds/{$kind}/sheets", ['id' => $id, 'what' => $what, 'note' => 'socket U7', ...($file === null ? [] : ['file' => $file])],
            ['Accept' => 'application/json'],
        );
        // The check value of CRC-32 (ISO 3309) over these nine digits is CBF43926; of SHA-256, FIPS 180-4 over "123456789", from sha256sum.
        $file = static fn (string $name = 'u7 <b>.bin'): UploadedFile => UploadedFile::fake()->createWithContent($name, '123456789');
        $id = self::ulid();
        self::assertRefused($keep($id, null), '/file', 'is missing');
        self::assertRefused($keep($id, $file(), 'poem'), '/what');
        $sheet = (array) $keep($id, $file())->assertCreated()->json('0');
        self::assertSame(['cbf43926', '15e2b0d3c33891ebb0f1ef609ec419420c20e320ce94c65fbc8c3312448eb225', 9, 'ROM dump'], [
            $sheet['crc32'], $sheet['sha256'], $sheet['bytes'], $sheet['what'],
        ]);
        $keep($id, $file())->assertCreated();
        self::assertRefused($keep(self::ulid(), $file('again.bin')), '/file', 'hangs there already');
        self::assertCount(1, (array) $this->getJson("/api/kinds/{$kind}")->json('sheets'));
        $down = $this->get("/sheets/{$id}")->assertOk();
        self::assertSame('application/octet-stream', $down->headers->get('Content-Type'));
        self::assertStringStartsWith('attachment', self::text($down->headers->get('Content-Disposition')));
        self::assertSame('123456789', $down->streamedContent());
        $this->get('/sheets/'.self::ulid())->assertNotFound();
    }

    public function test_undo_takes_back_only_what_that_job_taught(): void
    {
        $one = $this->takeIn(['name' => 'Tern 4']);
        $machine = Machine::query()->findOrFail($one->machine_id);
        $two = $this->takeIn(['machine' => $machine->id]);
        $this->add($one, ['kind' => 'rails_said', 'data' => ['label' => '+5 6A']])->assertCreated();
        $this->add($two, ['kind' => 'memory_said', 'data' => ['line' => '2 x 8 4116 U20 at 0']])->assertCreated();
        $this->add($one, ['kind' => 'point_named', 'data' => ['rail' => '+5', 'name' => 'J1 pin 3', 'point' => 'supply']])->assertCreated();
        $known = fn (): string => self::text(json_encode($this->getJson("/api/kinds/{$machine->kind_id}")->json('known')));
        self::assertStringContainsString('J1 pin 3', $known());
        $this->as(Role::Viewer)->deleteJson("/api/kinds/{$machine->kind_id}/lessons/{$one->id}")->assertForbidden();
        $back = $this->as(Role::Technician)->deleteJson("/api/kinds/{$machine->kind_id}/lessons/{$one->id}")->assertOk();
        self::assertStringContainsString("taking back what {$one->label()} taught", self::text($back->json('lessons.0.author')));
        self::assertStringNotContainsString('Rail +5', $known());
        self::assertStringContainsString('4116', $known(), 'what the other job taught stays');
        self::assertRefused($this->deleteJson("/api/kinds/{$machine->kind_id}/lessons/{$one->id}"), '/job', 'taken back');
        self::assertRefused($this->deleteJson("/api/kinds/{$machine->kind_id}/lessons/{$this->job()->id}"), '/job', 'taught nothing');
    }

    public function test_what_is_true_of_one_board_only_shows_where_its_kind_would_mislead(): void
    {
        $one = $this->takeIn(['name' => 'Tern 4']);
        $kind = Machine::query()->findOrFail($one->machine_id)->kind_id;
        $this->add($one, ['kind' => 'rails_said', 'data' => ['label' => '+5, +12']])->assertCreated();
        $this->add($one, ['line' => 'C12 1000u 16V'])->assertCreated();
        $this->add($one, ['line' => 'here C12 is 2200u since the last repair'])->assertCreated();
        $this->add($one, ['line' => 'here +12 comes from a module on the back'])->assertCreated();
        $two = $this->takeIn(['kind' => $kind, 'name' => 'Tern 4', 'serial' => '2']);
        $rail = fn (Job $job): string => self::text(json_encode($this->getJson('/api/rail-runs/'.$this->railRun($job))->assertOk()->json('steps')));
        self::assertStringContainsString('on this board only: comes from a module on the back', $rail($one));
        self::assertStringNotContainsString('on this board only', $rail($two), 'the other specimen has it not');
        self::assertStringContainsString('on this board only: is 2200u', self::text($this->getJson("/api/jobs/{$one->id}/capacitors")->json('caps.0.words')));
        self::assertContains('On this board only: C12 is 2200u since the last repair', (array) $this->getJson("/api/jobs/{$one->id}")->json('sheet.known'));
        self::assertStringNotContainsString('2200u', self::text(json_encode($this->getJson("/api/kinds/{$kind}")->json('known'))));
    }

    public function test_several_boards_of_one_machine_need_no_second_job(): void
    {
        $job = $this->takeIn(['name' => 'Tern 4']);
        $card = Board::query()->forceCreate(['machine_id' => $job->machine_id, 'slot' => 'card', 'name' => 'Card']);
        $on = ['board' => $card->id];
        $this->add($job, ['line' => 'C12 1000u 16V'])->assertCreated();
        $this->add($job, ['line' => 'C12 47u 25V bulged', ...$on])->assertCreated();
        $caps = fn (string $of): array => array_map(
            static fn (array $it): array => [$it['key'], $it['verdict']],
            (array) $this->getJson("/api/jobs/{$job->id}/capacitors{$of}")->assertOk()->json('caps'),
        );
        self::assertSame([['C12', null]], $caps(''));
        self::assertSame([['C12', 'replace']], $caps("?board={$card->id}"));
        self::assertRefused($this->getJson("/api/jobs/{$job->id}/capacitors?board=".self::ulid()), '/board', 'not a board of this machine');
        self::assertStringContainsString(
            'Replace C12',
            self::text(json_encode($this->getJson("/api/jobs/{$job->id}")->json('sheet'))),
            'the job shows the worst of its boards',
        );

        // None on a card does not answer for the main board; a leak on a card holds the whole job.
        $known = fn (): string => self::text(json_encode($this->getJson("/api/jobs/{$job->id}")->json('sheet')));
        $this->add($job, ['line' => 'battery none', ...$on])->assertCreated();
        self::assertStringContainsString('nobody has looked for a battery yet', $known());
        $this->add($job, ['line' => 'battery none'])->assertCreated();
        self::assertStringNotContainsString('nobody has looked for a battery yet', $known());
        $this->add($job, ['line' => 'battery leaking', ...$on])->assertCreated();
        self::assertStringContainsString('a leaking cell is on the board', $known());
        self::assertCount(2, (array) $this->getJson("/api/jobs/{$job->id}/battery?board={$card->id}")->assertOk()->json('notes'));
        self::assertCount(1, (array) $this->getJson("/api/jobs/{$job->id}/battery")->json('notes'));
    }

    public function test_another_workshops_machine_of_a_known_kind_is_a_specimen_of_it(): void
    {
        $job = $this->job();
        $record = (array) json_decode(self::file($this->as(Role::Lead)->get("/boards/{$job->board_id}/record.json")), true);
        $record['board'] = [...(array) $record['board'], 'id' => self::ulid(), 'machine' => self::ulid()];
        $foreign = json_encode(array_diff_key([...$record, 'jobs' => [], 'entries' => [], 'runs' => []], ['signature' => 1]), JSON_PRESERVE_ZERO_FRACTION);
        $before = [Kind::query()->count(), Machine::query()->count()];
        $this->as(Role::Technician)->call(
            'POST',
            '/api/boards/import',
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: (string) $foreign,
        )
            ->assertCreated();
        self::assertSame([$before[0], $before[1] + 1], [Kind::query()->count(), Machine::query()->count()]);
    }
}
