<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\People\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Leak survey, continuity over the stand-in, and photos. */
final class LeakTest extends TestCase
{
    private ?StandIn $standIn = null;

    protected function tearDown(): void
    {
        $this->standIn?->stop();
        exec('rm -rf '.escapeshellarg(storage_path('app/photos')));
        parent::tearDown();
    }

    /** @param array<string, mixed> $more */
    private function place(Job $job, string $place, int $grade, string $carries, array $more = []): string
    {
        return self::text($this
            ->add($job, ['kind' => 'survey', 'data' => ['place' => $place, 'holds' => 'trace', 'grade' => $grade, 'carries' => $carries, ...$more]])
            ->assertCreated()
            ->json('entry.id'));
    }

    private function leak(Job $job, string $query = ''): TestResponse
    {
        return $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/corrosion{$query}")->assertOk();
    }

    public function test_the_survey_is_ordered_and_the_plan_follows_the_chemistry(): void
    {
        $job = $this->job('whimbrel');
        $this->place($job, 'bracket', 1, 'nothing');
        $this->place($job, 'keyboard data', 2, 'signal', ['distance_mm' => 14]);
        $this->place($job, 'settings supply', 3, 'supply');
        $page = $this->leak($job);
        self::assertSame(['settings supply', 'keyboard data', 'bracket'], array_column((array) $page->json('places'), 'place'));
        self::assertStringContainsString('chemistry first', self::text($page->json('refused')));
        $this->add($job, ['kind' => 'battery', 'data' => ['state' => 'leaking', 'chemistry' => 'nicd', 'cells' => 3]])->assertCreated();
        self::assertSame(['neutralise', 'rinse', 'clean', 'dry', 'test', 'test', 'repair'], array_column((array) $this->leak($job)->json('plan'), 'step'));
        self::assertStringContainsString('never mix', strtolower(self::text($this->leak($job, '?also=chlorine_bleach')->json('refused'))));
        self::assertSame(['household bleach: not judged: read its safety data sheet'], $this->leak($job, '?also=household%20bleach')->json('told'));
        self::assertRefused($this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/corrosion?on_board=pond"), '/on_board');
        self::assertStringContainsString('relays', self::text($this->leak($job, '?on_board=relays')->json('school')));
        self::assertRefused(
            $this->add($job, ['kind' => 'survey', 'data' => ['place' => 'x', 'holds' => 'trace', 'grade' => 5, 'carries' => 'signal']]),
            '/data/grade',
            '0 to 4',
        );
        self::assertRefused(
            $this->add($job, ['kind' => 'survey', 'data' => ['place' => 'x', 'holds' => 'trace', 'grade' => 2, 'carries' => 'soup']]),
            '/data/carries',
        );
        self::assertRefused(
            $this->add(
                $job,
                ['kind' => 'survey', 'data' => ['place' => 'x', 'holds' => 'trace', 'grade' => 2, 'carries' => 'signal', 'trace' => ['length_mm' => 10]]],
            ),
            '/data/trace/width_mm',
        );
    }

    public function test_continuity_over_the_meter_with_zeroed_leads_to_repair_items_that_end_when_it_reads_sound(): void
    {
        $job = $this->job('whimbrel');
        $trace = ['trace' => ['length_mm' => 60, 'width_mm' => 0.3, 'copper_oz' => 1]];
        $clock = $this->place($job, 'keyboard clock to U12', 4, 'signal', $trace);
        $data = $this->place($job, 'keyboard data to U12', 2, 'signal', $trace);
        $socket = $this->place($job, 'U9 socket pin 3', 3, 'memory');
        $this->standIn = StandIn::start('leak-whimbrel');
        config(['instruments.standin.port' => $this->standIn->port]);
        $meter = self::meter($this->standIn->port);
        $take = fn (?string $place, float $leads, ?string $id = null) => $this->as(Role::Technician)->postJson(
            "/api/jobs/{$job->id}/continuity/take",
            ['id' => $id ?? self::ulid(), 'at' => '2026-03-01T11:00:00Z', 'meter' => $meter->id, 'place' => $place, 'lead_ohm' => $leads],
        );
        $leads = $take(null, 0)->assertOk()->json('ohms');
        self::assertEqualsWithDelta(0.18, $leads, 0.02);
        self::assertSame(3, Entry::query()->where('job_id', $job->id)->where('kind', '<>', 'stage')->count(), 'zeroing the leads is not an entry');
        $id = self::ulid();
        foreach ([[$clock, null], [$data, $id], [$socket, null]] as [$place, $own]) {
            $take($place, $leads, $own)->assertOk()->assertJsonPath('state', 'reading');
        }
        self::assertSame('was taken before', $take($data, $leads, $id)->json('words'));
        $page = $this->leak($job);
        self::assertSame(
            ['keyboard clock to U12' => 'open', 'U9 socket pin 3' => 'thin', 'keyboard data to U12' => 'sound'],
            array_column((array) $page->json('places'), 'verdict', 'place'),
        );
        $repairs = implode(' ', array_column((array) $page->json('repairs'), 'text'));
        self::assertStringContainsString('keyboard clock to U12: open, AWG 30', $repairs);
        self::assertStringContainsString('the trace could carry', $repairs);
        $this
            ->add($job, ['kind' => 'continuity', 'at' => '2026-03-01T12:00:00Z', 'data' => ['place' => $clock, 'measured_ohm' => '0,21', 'lead_ohm' => 0.18]])
            ->assertCreated()
            ->assertJsonPath('entry.data.verdict', 'sound');
        self::assertCount(1, (array) $this->leak($job)->json('repairs'));
        $again = self::text($this
            ->add($job,
                [
                    'kind' => 'survey',
                    'corrects' => $clock,
                    'data' => ['place' => 'keyboard clock to U12', 'holds' => 'trace', 'grade' => 3, 'carries' => 'signal', ...$trace],
                ])
            ->assertCreated()
            ->json('entry.id'));
        $corrected = array_column((array) $this->leak($job)->json('places'), null, 'id')[$again] ?? null;
        self::assertSame('sound', is_array($corrected) ? $corrected['verdict'] : null, 'a corrected place keeps what was read at it');
        self::assertRefused(
            $this->add($job, ['kind' => 'continuity', 'data' => ['place' => self::ulid(), 'measured_ohm' => 1, 'lead_ohm' => 0]]),
            '/data/place',
        );
        self::assertRefused(
            $this->add($job, ['kind' => 'continuity', 'data' => ['place' => $clock, 'measured_ohm' => 'shut', 'lead_ohm' => 0]]),
            '/data/measured_ohm',
        );
    }

    private function photo(Job $job, string $content, string $name, array $more = []): TestResponse
    {
        return $this->as(Role::Technician)->post(
            "/api/jobs/{$job->id}/photos",
            [
                'id' => self::ulid(),
                'entry' => self::ulid(),
                'at' => '2026-03-01T11:00:00Z',
                'caption' => 'the corner',
                ...$more,
                'file' => UploadedFile::fake()->createWithContent($name, $content),
            ],
            ['Accept' => 'application/json'],
        );
    }

    private static function picture(string $type, int $width = 3000, int $height = 1500): string
    {
        $image = imagecreatetruecolor($width, $height) ?: self::fail('no picture');
        imagefilledrectangle($image, 0, 0, intdiv($width, 2), $height, (int) imagecolorallocate($image, 200, 30, 30));
        ob_start();
        match ($type) {
            'png' => imagepng($image), 'webp' => imagewebp($image), default => imagejpeg($image),
        };

        return (string) ob_get_clean();
    }

    /** A JPEG as a camera on its side writes it: orientation 6 (turn right) and a place, in EXIF. */
    private static function sideways(): string
    {
        $tiff = "MM\x00\x2a\x00\x00\x00\x08\x00\x02\x01\x12\x00\x03\x00\x00\x00\x01\x00\x06\x00\x00"
            ."\x88\x25\x00\x04\x00\x00\x00\x01\x00\x00\x00\x26\x00\x00\x00\x00\x00\x01\x00\x01\x00\x02\x00\x00\x00\x02N\x00\x00\x00\x00\x00\x00\x00";
        $exif = "Exif\x00\x00{$tiff}";

        return substr_replace(self::picture('jpg', 400, 200), "\xff\xe1".pack('n', strlen($exif) + 2).$exif, 2, 0);
    }

    public function test_pictures_are_taken_in_upright_at_most_2000_pixels_and_without_where_they_were_made(): void
    {
        $job = $this->job('whimbrel');
        foreach (['jpg', 'png', 'webp'] as $type) {
            $this->photo($job, self::picture($type), "corner.{$type}")->assertCreated();
        }
        $sideways = self::sideways();
        self::assertSame(6, (@exif_read_data('data://image/jpeg;base64,'.base64_encode($sideways)) ?: [])['Orientation'] ?? null);
        $cards = (array) $this->photo($job, $sideways, 'sideways.jpg')->assertCreated()->json();
        self::assertSame(
            [[2000, 1000], [2000, 1000], [2000, 1000], [200, 400]],
            array_map(static fn (array $it): array => [$it['width'], $it['height']], $cards),
        );
        foreach ($cards as $card) {
            $file = $this->as(Role::Viewer)->get(self::text($card['url']))->assertOk()->assertHeader('Content-Type', 'image/jpeg');
            $path = $file->baseResponse instanceof BinaryFileResponse ? $file->baseResponse->getFile()->getPathname() : '';
            $size = getimagesize($path) ?: [0, 0];
            self::assertSame([$card['width'], $card['height']], [$size[0], $size[1]]);
            self::assertArrayNotHasKey('GPS', @exif_read_data($path, as_arrays: true) ?: []);
            self::assertStringNotContainsString('Exif', (string) file_get_contents($path, length: 400));
            $this->as(Role::Viewer)->get(self::text($card['thumbnail']))->assertOk();
        }
        self::assertSame(4, Entry::query()->where('job_id', $job->id)->where('kind', 'photo')->count());
    }

    /** @return array<string, array{string, string, string}> content, name, words */
    public static function spoiled(): array
    {
        return [
            'a text that is called .jpg' => ['just words', 'x.jpg', 'whatever its name says'],
            'a picture that lies about its type' => [self::picture('png', 10, 10), 'x.jpg', 'lies about its type'],
            'a HEIC' => ["\x00\x00\x00\x18ftypheic\x00\x00\x00\x00mif1heic", 'x.heic', 'HEIC'],
            'half a JPEG' => [substr(self::picture('jpg', 50, 50), 0, 30), 'x.jpg', ''],
            'a JPEG without its end' => [substr(self::picture('jpg', 300, 300), 0, -40), 'x.jpg', 'cut off'],
            'a PNG without its end' => [substr(self::picture('png', 300, 300), 0, -20), 'x.png', 'cut off'],
            'a WebP without its end' => [substr(self::picture('webp', 300, 300), 0, -20), 'x.webp', 'cut off'],
            'more pixels than memory' => [
                "\x89PNG\r\n\x1a\n\0\0\0\rIHDR".pack('NN', 7000, 7000)."\x08\x02\0\0\0".str_repeat('x', 90), 'x.png', '36 million',
            ],
            'nothing' => ['', 'x.jpg', ''],
        ];
    }

    #[DataProvider('spoiled')]
    public function test_what_is_no_picture_is_refused_and_nothing_is_kept_by_half(string $content, string $name, string $words): void
    {
        $job = $this->job('whimbrel');
        self::assertRefused($this->photo($job, $content, $name), '/file', $words);
        self::assertSame(0, Entry::query()->where('job_id', $job->id)->count());
        self::assertSame([], glob(storage_path('app/photos/*')));
    }

    public function test_a_picture_that_cannot_be_recorded_leaves_another_ones_file_alone(): void
    {
        $job = $this->job('whimbrel');
        $entry = self::ulid();
        $this->photo($job, self::picture('jpg'), 'corner.jpg', ['entry' => $entry])->assertCreated();
        $kept = glob(storage_path('app/photos/*'));
        // The same id, sent twice at once, has its file in place already when the second comes to its end.
        $id = self::ulid();
        file_put_contents(storage_path("app/photos/{$id}.jpg"), 'of the first');
        $this->photo($job, self::picture('jpg'), 'corner.jpg', ['id' => $id, 'entry' => $entry])->assertStatus(409);
        self::assertSame('of the first', file_get_contents(storage_path("app/photos/{$id}.jpg")));
        unlink(storage_path("app/photos/{$id}.jpg"));
        self::assertSame($kept, glob(storage_path('app/photos/*')));
    }

    public function test_a_distance_is_read_off_a_photo_in_which_a_length_is_known(): void
    {
        $job = $this->job();
        $card = (array) $this->photo($job, self::picture('jpg'), 'corner.jpg')->assertCreated()->json('0');
        $width = is_int($card['width']) ? $card['width'] : 0;
        $asked = fn (array $taps, float $mm = 10): TestResponse => $this->postJson("/api/photos/{$card['id']}/distance", ['taps' => $taps, 'known_mm' => $mm]);
        $far = 100 / $width;
        $taps = [['x' => 0, 'y' => 0.5], ['x' => $far, 'y' => 0.5], ['x' => 0.1, 'y' => 0.5], ['x' => 0.1 + 2 * $far, 'y' => 0.5]];
        self::assertEqualsWithDelta(20.0, $asked($taps)->assertOk()->json('mm'), 1e-6);
        self::assertRefused($asked(array_slice($taps, 0, 3)), '/taps', 'must be four');
        self::assertRefused($asked([$taps[0], $taps[0], $taps[2], $taps[3]]), '/taps', 'too short');
        self::assertRefused($asked($taps, 0), '/known_mm');
        self::assertRefused($asked([...array_slice($taps, 0, 3), ['x' => 1.2, 'y' => 0]]), '/taps/3/x');
    }

    public function test_a_photo_carries_numbered_pins_and_stands_in_the_report(): void
    {
        $job = $this->job('whimbrel');
        $id = self::ulid();
        $this->photo($job, self::picture('jpg'), 'corner.jpg', ['id' => $id])->assertCreated();
        $this->photo($job, self::picture('jpg'), 'corner.jpg', ['id' => $id])->assertCreated()->assertJsonCount(1);
        foreach (['the burst part left of the second connector', 'green foot of C4'] as $i => $text) {
            $this->add($job, ['kind' => 'pin', 'text' => $text, 'data' => ['photo' => $id, 'x' => 0.25 * ($i + 1), 'y' => 0.5]])->assertCreated();
        }
        self::assertRefused($this->add($job, ['kind' => 'pin', 'text' => 'x', 'data' => ['photo' => $id, 'x' => 1.1, 'y' => 0]]), '/data/x');
        self::assertRefused($this->add($job, ['kind' => 'pin', 'text' => 'x', 'data' => ['photo' => self::ulid(), 'x' => 0, 'y' => 0]]), '/data/photo');
        self::assertSame([1, 2], array_column((array) $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/photos")->json('0.pins'), 'number'));
        $html = (string) $this->as(Role::Viewer)->get("/jobs/{$job->id}/report/sheet")->assertOk()->getContent();
        self::assertStringContainsString('data:image/jpeg;base64,', $html);
        self::assertStringContainsString('the burst part left of the second connector', $html);
        $pdf = $this->as(Role::Viewer)->get("/jobs/{$job->id}/report.pdf")->assertOk()->baseResponse;
        self::assertInstanceOf(BinaryFileResponse::class, $pdf);
        self::assertStringStartsWith('%PDF', (string) file_get_contents($pdf->getFile()->getPathname()));
    }
}
