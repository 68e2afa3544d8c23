<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Board;
use App\Logbook\Job;
use App\Logbook\Kind;
use App\Logbook\Machine;
use App\People\Role;
use Ash\Memory\DescribedMemories;
use Illuminate\Testing\TestResponse;

/** Boards may have a kind of their own: a board uses it first, then its machine's. */
final class BoardKindsTest extends TestCase
{
    /**
     * @param array<string, mixed> $body
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function split(string $kind, array $body, Role $as = Role::Lead): TestResponse
    {
        return $this->as($as)->postJson("/api/kinds/{$kind}/split", $body);
    }

    /** @return list<mixed> the pages that read the description */
    private function pages(Job ...$jobs): array
    {
        $pages = [];
        foreach ($jobs as $job) {
            foreach (['', '/memory', '/capacitors', '/battery', '/rails', '/soak'] as $page) {
                $pages[] = $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}{$page}")->json();
            }
        }

        return $pages;
    }

    public function test_what_names_a_board_goes_to_a_kind_of_its_own_and_no_page_of_a_job_says_anything_else(): void
    {
        [$main, $supply] = [$this->job(), $this->job(slot: 'supply')];
        $machine = self::machine();
        $before = $this->pages($main, $supply);
        $record = json_decode(self::file($this->as(Role::Viewer)->get("/boards/{$supply->board_id}/record.json")), true);
        self::assertIsArray($record);
        $places = (array) $this->getJson("/api/kinds/{$machine->kind_id}")->assertOk()->json('places');
        self::assertSame(['memories (1)', 'capacitors (10)', null], array_column($places, 'names'));
        $this->split($machine->kind_id, ['place' => 'supply'], Role::Technician)->assertForbidden();
        self::assertRefused($this->split($machine->kind_id, ['place' => 'attic']), '/place', 'main, supply, dome');

        $seen = $this->split($machine->kind_id, ['place' => 'supply'])->assertOk();
        self::assertSame([false, null, "{$machine->name}, Linear supply"], [$seen->json('done'), $seen->json('kind_id'), $seen->json('name')]);
        self::assertContains('Capacitors: 10 listed', (array) $seen->json('moves'));
        self::assertSame(["Linear supply, serial D8-P-0391, in {$machine->name}"], $seen->json('boards'));
        self::assertSame(1, Kind::query()->count(), 'a look changes nothing');

        $kind = self::text($this
            ->split($machine->kind_id, ['place' => 'supply', 'name' => 'Linear supply, three outputs', 'done' => true])
            ->assertOk()
            ->json('kind_id'));
        $this->split($machine->kind_id, ['place' => 'main', 'done' => true])->assertOk();
        self::assertEquals($before, $this->pages($main, $supply));
        $places = (array) $this->getJson("/api/kinds/{$machine->kind_id}")->json('places');
        self::assertSame([null, null, null], array_column($places, 'names'));
        self::assertSame("{$machine->name}, Main board", $places[0]['kind']);
        $page = $this->getJson("/api/kinds/{$kind}")->assertOk();
        self::assertSame([true, 1, ['Linear supply'], []], [
            $page->json('kind.of_board'), $page->json('kind.machines'), array_column((array) $page->json('boards'), 'name'), $page->json('machines'),
        ]);
        self::assertSame('Linear supply, three outputs', $this->getJson("/api/boards/{$supply->board_id}")->json('kind'));
        self::assertCount(1, (array) $this->getJson('/api/boards?search=three+outputs')->json('boards'));
        $now = json_decode(self::file($this->get("/boards/{$supply->board_id}/record.json")), true);
        self::assertIsArray($now);
        self::assertEquals($record['machine']['capacitors'], $now['machine']['capacitors'], 'a record that goes elsewhere says all of it');
        self::assertCount(2, (array) $this->getJson('/api/kinds?of_board=1')->json());
        self::assertRefused($this->split($kind, ['place' => 'main']), '', 'kind of board already');
        self::assertRefused($this->split($machine->kind_id, ['place' => 'dome', 'name' => 'Linear supply, three outputs']), '/name', 'already');
        // It is edited like a machine's, and its boards know at once.
        $document = (string) $this->get("/kinds/{$kind}/profile.json")->assertOk()->getContent();
        $put = fn (string $text, string $match): TestResponse => $this->as(Role::Technician)->call('PUT', "/api/kinds/{$kind}/profile", server: [
            'CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', 'HTTP_IF_MATCH' => $match,
        ], content: $text);
        self::assertRefused($put($document, '"7"'), '', 'someone else changed', 409);
        self::assertRefused($put(str_replace('"rail": "+12"', '"rail": "+98"', $document), '"1"'), '/capacitors/0/rail', 'no rail');
        self::assertSame(2, $put(str_replace('"ref": "C1"', '"ref": "C901"', $document), '"1"')->assertOk()->json('revision'));
        self::assertStringContainsString('C901', (string) $this->getJson("/api/jobs/{$supply->id}/capacitors")->getContent());
        // A second specimen of the machine has boards of no kind until somebody says so.
        $taken = $this->as(Role::Technician)->postJson(
            '/api/intake',
            ['id' => self::ulid(), 'at' => '2026-03-01T09:00:00Z', 'kind' => $machine->kind_id, 'name' => 'Second'],
        );
        $second = Job::query()->findOrFail(self::text($taken->assertCreated()->json('id')));
        $names = static fn (): array => array_column($second->profile()->section(DescribedMemories::class)->all ?? [], 'name');
        self::assertSame([], $names());
        $of = Board::query()->findOrFail($main->board_id)->kind_id;
        $this->as(Role::Lead)->putJson("/api/boards/{$second->board_id}/kind", ['kind' => $of])->assertNoContent();
        self::assertSame(['Main memory'], $names());
        self::assertRefused($this->putJson("/api/boards/{$second->board_id}/kind", ['kind' => $machine->kind_id]), '/kind', 'kind of machine');
        $this->deleteJson("/api/boards/{$second->board_id}/kind")->assertNoContent();
        self::assertNull(Board::query()->findOrFail($second->board_id)->kind_id);
    }

    public function test_what_was_learned_of_a_board_goes_with_it_into_a_machine(): void
    {
        $take = fn (array $body): Job => Job::query()->findOrFail(self::text($this->as(Role::Technician)
            ->postJson('/api/intake', ['id' => self::ulid(), 'at' => '2026-03-01T09:00:00Z', ...$body])->assertCreated()->json('id')));
        $alone = $take(['name' => 'Gull memory card', 'alone' => true]);
        $this->line($alone, 'mem rows 2 x 8 4116 U20 at 0');
        $job = $this->job();
        $machine = self::machine();
        $board = Board::query()->findOrFail($alone->board_id);
        self::assertSame([true, 'Gull memory card'], [Kind::query()->findOrFail((string) $board->kind_id)->of_board, $board->name]);
        $dome = self::board($machine, 'dome');
        $move = fn (Board $it, ?string $place): TestResponse => $this->add($job, [
            'kind' => 'board_moved', 'data' => ['board' => $it->id, ...($place === null ? [] : ['to' => $machine->id, 'place' => $place])],
        ])->assertCreated();
        $move($dome, null);
        $move($board, 'dome');
        $maps = fn (string $at): array => array_map(
            static fn (array $it): string => "{$it['key']}: {$it['name']}",
            (array) $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/memory?board={$at}")->assertOk()->json('maps'),
        );
        self::assertSame(['main: Main memory'], array_slice($maps($job->board_id), 0, 1));
        self::assertStringStartsWith('dome-main: ', $maps($job->board_id)[1], 'one of another board is called by its place');
        self::assertStringStartsWith('main-main: ', $maps($board->id)[0]);
        self::assertStringStartsWith('main: ', $maps($board->id)[1], 'the board at hand comes first');
        // What is learned of it now goes to its kind, and comes out with it.
        $this->add($job, ['line' => 'mem rows 1 x 8 4116 U40 at 8000', 'board' => $board->id])->assertCreated();
        $move($board, null);
        self::assertCount(2, $alone->profile()->section(DescribedMemories::class)->all ?? []);
        self::assertCount(1, $job->profile()->section(DescribedMemories::class)->all ?? []);
        // An installation of before: only what came alone has a kind of board, and the upgrade may be run again.
        $kinds = static fn (): array => [
            Kind::query()->orderBy('id')->pluck('of_board', 'id')->all(), Board::query()->orderBy('id')->pluck('kind_id', 'id')->all(),
        ];
        $now = $kinds();
        Board::query()->update(['kind_id' => null]);
        Kind::query()->update(['of_board' => false]);
        foreach ([1, 2] as $_) {
            (require base_path('database/migrations/2026_08_09_000000_add_kinds_of_boards.php'))->up();
            self::assertEquals($now, $kinds());
        }
        // Another one came by post: it is of the same kind.
        $another = $take(['kind' => $board->kind_id, 'name' => 'Gull memory card 2']);
        self::assertTrue(Machine::query()->findOrFail($another->machine_id)->bare);
        self::assertCount(2, $another->profile()->section(DescribedMemories::class)->all ?? []);
    }

    public function test_a_kind_of_board_is_no_kind_of_machine(): void
    {
        $machine = self::machine();
        $this->split($machine->kind_id, ['place' => 'supply', 'done' => true])->assertOk();
        [$one, $two] = [$machine->kind_id, self::text(Kind::query()->where('of_board', true)->value('id'))];
        self::assertRefused($this->as(Role::Lead)->postJson("/api/kinds/{$one}/merge", ['other' => $two]), '/other', 'kind of board');
        self::assertRefused($this->postJson("/api/kinds/{$two}/merge", ['other' => $one]), '/other', 'kind of machine');
        // Too much together: the machine's own word counts, and nothing breaks.
        $job = $this->job(slot: 'supply');
        Kind::query()->whereKey($two)->update(['profile' => str_replace('"rail": "+12"', '"rail": "+98"', Kind::query()->findOrFail($two)->profile)]);
        $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}")->assertOk();
    }
}
