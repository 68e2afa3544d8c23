<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Job;
use App\People\Role;
use App\Shelf\ShelfItem;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

final class ShelfTest extends TestCase
{
    /**
     * @param array<string, mixed> $more
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function shelve(array $more = []): TestResponse
    {
        return $this->as(Role::Technician)->postJson(
            '/api/shelf',
            [
                'id' => self::ulid(),
                'sku' => 'AL-4700-25',
                'kind' => 'aluminium',
                'marked_f' => '4700u',
                'rated_v' => '25',
                'quantity' => 2,
                'place' => 'drawer 12',
                'hours' => 5000,
                'temperature_c' => 105,
                'diameter_mm' => 18,
                'height_mm' => 36,
                'pitch_mm' => 7.5,
                ...$more,
            ],
        );
    }

    private function item(array $more = []): ShelfItem
    {
        return ShelfItem::query()->findOrFail(self::text($this->shelve($more)->assertCreated()->json('item.id')));
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function fit(Job $job, ShelfItem $item, array $more = []): TestResponse
    {
        return $this->add(
            $job,
            [
                'kind' => 'part',
                'data' => [
                    'designator' => 'C1',
                    'from' => '4700 µF 25 V',
                    'to' => $item->name,
                    'shelf' => strtoupper($item->id),
                    'polarity' => 'minus',
                    ...$more,
                ],
            ],
        );
    }

    public function test_a_part_comes_is_found_counted_and_set_aside(): void
    {
        $item = $this->item();
        self::assertSame(['4700 µF 25 V aluminium', 2], [$item->name, $item->quantity]);
        $move = fn (array $body): TestResponse => $this->as(Role::Technician)->postJson("/api/shelf/{$item->id}/moves", ['id' => self::ulid(), ...$body]);
        self::assertSame(5, $move(['change' => 3, 'note' => 'order 17'])->assertOk()->json('item.quantity'));
        self::assertRefused($move(['change' => -6]), '/change', 'cannot go below nothing');
        self::assertSame(4, $move(['counted' => 4])->json('item.quantity'));
        $id = self::ulid();
        $this->postJson("/api/shelf/{$item->id}/moves", ['id' => $id, 'change' => 1])->assertOk();
        self::assertSame(5, $this->postJson("/api/shelf/{$item->id}/moves", ['id' => $id, 'change' => 1])->json('item.quantity'), 'sent twice, moved once');
        self::assertSame(5, (int) DB::table('shelf_moves')->where('item_id', $item->id)->sum('change'), 'the quantity is the sum of its moves');
        self::assertSame(1, $this->as(Role::Viewer)->getJson('/api/shelf?search=4700+drawer')->assertOk()->json('count'));
        self::assertSame(0, $this->getJson('/api/shelf?search=100%25')->json('count'));

        $job = $this->job();
        $reserved = $this->as(Role::Technician)->postJson(
            "/api/shelf/{$item->id}/reservations",
            ['id' => self::ulid(), 'job' => $job->id, 'quantity' => 4],
        )->assertOk();
        self::assertSame([4, 1], [$reserved->json('item.reserved'), $reserved->json('item.free')]);
        self::assertRefused(
            $this->postJson("/api/shelf/{$item->id}/reservations", ['id' => self::ulid(), 'job' => $job->id, 'quantity' => 2]),
            '/quantity',
            'only 1',
        );
        $other = $this->job();
        self::assertRefused($this->fit($other, $item, ['quantity' => 2]), '/data/shelf', '4 of them are reserved');
        $this->fit($job, $item, ['quantity' => 3])->assertCreated();
        self::assertSame(1, (int) DB::table('shelf_reservations')->where('job_id', $job->id)->sum('quantity'), 'what was set aside is used first');
        $this->as(Role::Technician)->deleteJson('/api/shelf-reservations/'.self::text($reserved->json('reservations.0.id')))->assertNoContent();
        $this->deleteJson('/api/shelf-reservations/'.self::text($reserved->json('reservations.0.id')))->assertStatus(409);
    }

    public function test_using_a_part_writes_the_entry_and_lowers_the_stock_together_or_not_at_all(): void
    {
        $job = $this->job(slot: 'supply');
        $item = $this->item(['quantity' => 1]);
        self::assertRefused($this->fit($job, $item, ['polarity' => null]), '/data/polarity');
        $entry = $this->fit($job, $item, ['polarity' => 'minus', 'kept_at' => 'bag 7'])->assertCreated();
        self::assertSame(
            'C1: 4700 µF 25 V to 4700 µF 25 V aluminium, from shelf, drawer 12, stripe at minus; the original is kept in bag 7',
            $entry->json('entry.says'),
        );
        self::assertSame(0, $item->refresh()->quantity);
        self::assertRefused($this->fit($job, $item), '/data/shelf', 'none is on the shelf; Technician took the last');
        self::assertRefused($this->fit($job, $item, ['polarity' => 'plus']), '/data/shelf');
        self::assertSame(0, (int) DB::table('shelf_moves')->where('item_id', $item->id)->sum('change'));
        $kept = $this->as(Role::Viewer)->getJson("/api/shelf?board={$job->board_id}")->assertOk();
        self::assertSame([1, 'bag 7'], [$kept->json('count'), $kept->json('items.0.place')]);
        self::assertStringContainsString('Original C1 of Linear supply', self::text($kept->json('items.0.name')));

        $this->add($job, ['kind' => 'withdrawn', 'text' => 'it was C2', 'corrects' => self::text($entry->json('entry.id'))])->assertCreated();
        self::assertSame(1, $item->refresh()->quantity, 'a withdrawn entry gives the part back');
        $first = self::text($this->fit($job, $item)->assertCreated()->json('entry.id'));
        $this->fit($job, $item, ['to' => 'the same part, better words'])->assertStatus(422);
        $this->add(
            $job,
            [
                'kind' => 'part',
                'corrects' => $first,
                'data' => ['designator' => 'C2', 'to' => $item->name, 'shelf' => strtoupper($item->id), 'polarity' => 'minus'],
            ],
        )->assertCreated();
        self::assertSame(0, $item->refresh()->quantity, 'a corrected entry uses it once');
    }

    public function test_a_part_put_in_backwards_is_refused_and_nothing_leaves_the_shelf(): void
    {
        $job = $this->job(slot: 'supply');
        $item = $this->item(['sku' => 'TA-10-35', 'kind' => 'tantalum', 'marked_f' => '10u', 'rated_v' => '35', 'height_mm' => 9]);
        self::assertRefused($this->fit($job, $item, ['designator' => 'C9', 'polarity' => 'minus']), '/data/polarity', 'backwards');
        self::assertRefused(
            $this->add($job, ['kind' => 'part', 'data' => ['designator' => 'C9', 'to' => 'x', 'shelf' => strtoupper($item->id)]]),
            '/data/polarity',
            'is missing',
        );
        self::assertSame(2, $item->refresh()->quantity);
        $this->fit($job, $item, ['designator' => 'C9', 'polarity' => 'plus'])->assertCreated();
    }

    public function test_when_a_part_arrives_the_jobs_that_wait_for_it_come_up_first(): void
    {
        $waits = $this->job();
        $this->line($waits, 'symptom no +12 V');
        $this->line($waits, 'waiting for a 7812 asked of the stores');
        $this->add($waits, ['kind' => 'outcome', 'data' => ['outcome' => 'parked', 'handed_back' => false, 'waiting_for' => 'a 7812']])->assertCreated();
        $later = $this->job();
        $this->line($later, 'symptom hum');
        self::assertNotContains($waits->id, array_column((array) $this->as(Role::Viewer)->getJson('/api/bench')->json('jobs'), 'id'));
        $item = $this->item([
            'sku' => 'RG-7812',
            'name' => '7812 regulator 1 A',
            'kind' => null,
            'marked_f' => null,
            'rated_v' => null,
            'quantity' => 0,
            'place' => 'drawer 4',
            'hours' => null,
            'temperature_c' => null,
            'diameter_mm' => null,
            'height_mm' => null,
            'pitch_mm' => null,
        ]);
        $this->as(Role::Technician)->postJson("/api/shelf/{$item->id}/moves", ['id' => self::ulid(), 'change' => 2])->assertOk();
        $bench = $this->getJson('/api/bench')->assertOk();
        self::assertSame([$waits->id, '7812 regulator 1 A is on the shelf: drawer 4'], [$bench->json('jobs.0.id'), $bench->json('waiting.0.ready')]);
    }

    public function test_substitutes_come_from_the_shelf_best_first_with_their_reasons_and_life(): void
    {
        $job = $this->job(slot: 'supply');
        $this->item();
        $this->item(['sku' => 'AL-4700-16', 'rated_v' => '16']);
        $this->item(['sku' => 'AL-4700-40', 'rated_v' => '40', 'height_mm' => 60]);
        $this->item(['sku' => 'CE-1', 'kind' => 'ceramic', 'marked_f' => '100n', 'rated_v' => '50']);
        $page = $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/substitutes?cap=C1&at_c=55")->assertOk();
        self::assertSame(
            [['AL-4700-25', 'fits'], ['AL-4700-40', 'no']],
            array_map(static fn (array $it): array => [$it['item']['sku'], $it['verdict']], (array) $page->json('choices')),
        );
        self::assertStringContainsString('15 years at 55 °C', self::text($page->json('choices.0.life')));
        self::assertContains('60 mm high, 45 mm are free', (array) $page->json('choices.1.reasons'));
        self::assertSame(45, $page->json('clearance_mm'));
        self::assertRefused($this->getJson("/api/jobs/{$job->id}/substitutes?cap=C1&at_c=warm"), '/at_c');
        self::assertRefused($this->getJson("/api/jobs/{$job->id}/substitutes?cap=C99"), '/cap');
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function import(string $content): TestResponse
    {
        return $this->as(Role::Technician)->post(
            '/api/shelf/import',
            ['file' => UploadedFile::fake()->createWithContent('shelf.csv', $content)],
            ['Accept' => 'application/json'],
        );
    }

    public function test_the_shelf_goes_out_and_comes_in_as_csv_and_a_broken_row_refuses_the_file(): void
    {
        self::assertSame(22, $this->import((string) file_get_contents(base_path('database/demo/shelf.csv')))->assertCreated()->json('taken'));
        $out = $this->get('/shelf.csv')->assertOk()->streamedContent();
        DB::table('shelf_moves')->delete();
        DB::table('shelf_items')->delete();
        self::assertSame(22, $this->import($out)->assertCreated()->json('taken'));
        self::assertSame($out, $this->get('/shelf.csv')->streamedContent());

        $good = "sku,kind,marked_f,rated_v,quantity,place\nX1,film,1u,63,4,drawer 1\n";
        foreach ([
            ["{$good}X2,film,1u,63,-1,drawer 1\n", 'row 3, column quantity: must be from 0'],
            ["{$good}X2,film,1u,63,many,drawer 1\n", 'row 3, column quantity'], ["{$good}X1,film,1u,63,1,drawer 1\n", 'row 3, column sku: there is a "X1"'],
            ["{$good}É9,film,1u,63,1,drawer 1\nE9,film,1u,63,1,drawer 1\n", 'but for accents or spaces'],
            ["{$good}X2,glass,1u,63,1,drawer 1\n", 'row 3, column kind'], ["{$good}X2,film,1u\n", 'row 3: has 3 fields'],
            ["{$good}X2,film,,63,1,drawer 1\n", 'row 3, column marked_f: is missing'], ["sku,colour\nX,red\n", 'row 1: has a column "colour"'],
            ["sku,sku\n", 'twice'], ['', 'no rows'],
        ] as [$csv, $words]) {
            self::assertRefused($this->import($csv), '/file', $words);
        }
        self::assertSame(22, ShelfItem::query()->count(), 'refused whole');
        $this->shelve(['sku' => '=1+1', 'name' => '@SUM(A1)'])->assertCreated();
        self::assertStringContainsString("'=1+1,'@SUM(A1)", $this->get('/shelf.csv')->streamedContent());
    }

    public function test_labels_open_the_record(): void
    {
        $job = $this->job();
        $item = $this->item();
        $labels = $this->as(Role::Viewer)->getJson("/api/labels?items={$item->id}&boards={$job->board_id}")->assertOk();
        self::assertStringEndsWith("/boards/{$job->board_id}", self::text($labels->json('0.url')));
        self::assertStringEndsWith("/shelf/{$item->id}", self::text($labels->json('1.url')));
        self::assertSame(['Dunlin 8 dome controller', 'AL-4700-25'], array_column((array) $labels->json(), 'title'));
    }
}
