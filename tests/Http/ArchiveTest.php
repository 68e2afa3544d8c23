<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Job;
use App\Logbook\Photo;
use App\Memory\Source;
use App\People\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Response;

/** A board with its pictures and texts, out as one file and in again. */
final class ArchiveTest extends TestCase
{
    private const TEXT = "0011 FF FB\n0123 FF FB\n1ABC FF FB\n";

    /** @return array{Job, string, string} with a photo and a memory test that was read from a text */
    private function storied(): array
    {
        $job = $this->job();
        $image = imagecreatetruecolor(640, 480) ?: self::fail();
        imagefilledellipse($image, 200, 200, 150, 90, 0xC06020);
        ob_start();
        imagejpeg($image);
        $this->post("/api/jobs/{$job->id}/photos", [
            'id' => $photo = self::ulid(), 'entry' => self::ulid(), 'at' => '2026-03-01T11:00:00Z', 'caption' => 'the corner',
            'file' => UploadedFile::fake()->createWithContent('x.jpg', (string) ob_get_clean()),
        ], ['Accept' => 'application/json'])->assertCreated();
        $this->postJson("/api/jobs/{$job->id}/memory-sources", ['id' => $source = self::ulid(), 'map' => 'main', 'text' => self::TEXT])->assertCreated();
        $this->add($job, ['kind' => 'memory', 'data' => ['source' => $source]])->assertCreated();

        return [$job->refresh(), $photo, $source];
    }

    private function archive(Job $job): string
    {
        $answer = $this->as(Role::Viewer)->get("/boards/{$job->board_id}/archive.zip")->assertOk()->assertHeader('Content-Type', 'application/zip');
        self::assertInstanceOf(BinaryFileResponse::class, $answer->baseResponse);

        return (string) file_get_contents($answer->baseResponse->getFile()->getPathname());
    }

    /** @return TestResponse<Response> */
    private function send(string $zip): TestResponse
    {
        return $this->as(Role::Technician)->post(
            '/api/boards/import-archive',
            ['file' => UploadedFile::fake()->createWithContent('board.zip', $zip)],
            ['Accept' => 'application/json'],
        );
    }

    /**
     * The archive with something changed in it; the checksums are right again unless told otherwise.
     *
     * @param \Closure(array<string, string>): array<string, string> $change files by name
     */
    private static function changed(string $zip, \Closure $change, bool $summed = true): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($file, $zip);
        $in = new \ZipArchive();
        $in->open($file);
        $files = [];
        for ($i = 0; $i < $in->numFiles; ++$i) {
            $files[(string) $in->getNameIndex($i)] = (string) $in->getFromIndex($i);
        }
        $files = $change($files);
        if ($summed) {
            $files['SHA256SUMS'] = '';
            foreach (array_diff_key($files, ['SHA256SUMS' => 1, 'SHA256SUMS.signature' => 1]) as $name => $text) {
                $files['SHA256SUMS'] .= hash('sha256', $text)."  {$name}\n";
            }
        }
        $out = new \ZipArchive();
        $out->open($file, \ZipArchive::OVERWRITE);
        foreach ($files as $name => $text) {
            $out->addFromString($name, $text);
        }
        $out->close();

        return (string) file_get_contents($file);
    }

    /** Every identifier new, as another workshop's. */
    private static function foreign(string $zip): string
    {
        return self::changed($zip, static function (array $files): array {
            $new = [];
            $swap = static function (string $text) use (&$new): string {
                $to = static function (array $m) use (&$new): string {
                    return $new[$m[0]] ??= self::ulid();
                };

                return (string) preg_replace_callback('/\b[0-7][0-9A-HJKMNP-TV-Z]{25}\b/i', $to, $text);
            };
            $record = $swap((string) preg_replace('/,\s*"signature": "[0-9a-f]+"/', '', $files['record.json']));
            unset($files['record.json']);

            return ['record.json' => $record, ...array_combine(array_map($swap, array_keys($files)), $files)];
        });
    }

    /** @return list<int> rows of jobs, entries, photos, memory texts */
    private function counts(): array
    {
        return array_map(static fn (string $it): int => DB::table($it)->count(), ['jobs', 'entries', 'photos', 'memory_sources']);
    }

    public function test_it_holds_everything_with_checksums_that_the_common_tool_confirms(): void
    {
        [$job, $photo, $source] = $this->storied();
        $folder = sys_get_temp_dir().'/ash-'.bin2hex(random_bytes(4));
        mkdir($folder);
        file_put_contents("{$folder}/x.zip", $this->archive($job));
        $zip = new \ZipArchive();
        $zip->open("{$folder}/x.zip");
        $zip->extractTo($folder);
        exec('cd '.escapeshellarg($folder).' && sha256sum --strict -c SHA256SUMS', $said, $code);
        self::assertSame([0, ['record.json: OK', "photos/{$photo}.jpg: OK", "memory/{$source}.txt: OK"]], [$code, $said]);
        self::assertSame(self::TEXT, file_get_contents("{$folder}/memory/{$source}.txt"));
        exec('rm -rf '.escapeshellarg($folder));
    }

    public function test_another_workshops_archive_comes_in_with_its_files_and_twice_is_once(): void
    {
        [$job] = $this->storied();
        $second = ['id' => self::ulid(), 'map' => 'main', 'text' => self::TEXT];
        $this->as(Role::Technician)->postJson("/api/jobs/{$job->id}/memory-sources", $second)->assertCreated();
        $this->add($job, ['kind' => 'memory', 'data' => ['source' => $second['id']]])->assertCreated();
        $zip = self::foreign($this->archive($job));
        $before = $this->counts();
        $board = self::text($this->send($zip)->assertCreated()->json('id'));
        $new = Job::query()->where('board_id', $board)->firstOrFail();
        $photo = Photo::query()->where('job_id', $new->id)->firstOrFail();
        $source = Source::query()->where('job_id', $new->id)->firstOrFail();
        self::assertSame([640, 480], [$photo->width, $photo->height]);
        self::assertFileExists($photo->file(true));
        self::assertSame([self::TEXT, true], [file_get_contents($source->file()), $source->kept]);
        $this->as(Role::Viewer)->getJson("/api/memory-sources/{$source->id}")->assertOk()->assertJsonPath('located.suspects.0.called', 'chip U32');
        $this->getJson("/api/jobs/{$new->id}/photos")->assertOk()->assertJsonPath('0.author', 'imported, as it was written by Technician')
            ->assertJsonPath('0.caption', 'the corner');
        $once = $this->counts();
        $more = array_map(static fn (int $a, int $b): int => $a - $b, $once, $before);
        self::assertSame([1, 1, 2], [$more[0], $more[2], $more[3]]);
        $this->send($zip)->assertCreated()->assertJsonPath('entries', 0);
        self::assertSame($once, $this->counts());
        // What came in may be put back when it is lost; and it may go on from here to a third workshop.
        unlink($photo->file());
        $this->send($zip)->assertCreated();
        self::assertFileExists($photo->file());
        $this->send(self::foreign($this->archive($new)))->assertCreated();
    }

    public function test_only_our_own_archive_puts_back_a_file_of_ours(): void
    {
        [$job, $photo, $source] = $this->storied();
        $zip = $this->archive($job);
        $files = [Photo::fileOf($photo), storage_path("app/memory/{$source}.txt")];
        array_map(unlink(...), $files);
        foreach ([
            self::changed($zip, static fn (array $files): array => [...$files, 'SHA256SUMS.signature' => str_repeat('0', 64)]),
            self::changed($zip, static fn (array $files): array => [...$files, "memory/{$source}.txt" => "0011 FF FE\n"]),
        ] as $forged) {
            $this->send($forged)->assertStatus(409);
            self::assertSame([false, false], array_map(is_file(...), $files));
        }
        $this->send($zip)->assertCreated()->assertJsonPath('entries', 0);
        self::assertSame([true, self::TEXT], [is_file($files[0]), file_get_contents($files[1])]);
        self::assertSame([[], []], [glob(sys_get_temp_dir().'/board-*'), glob(storage_path('app/photos/*.in'))]);
    }

    /** @return iterable<string, array{string, \Closure(array<string, string>): array<string, string>, 2?: bool}> the place of the fault, and what is spoiled */
    public static function spoiled(): iterable
    {
        $photo = static fn (array $files): string => array_values(preg_grep('~^photos/~', array_keys($files)) ?: [])[0] ?? '';
        $alone = 'memory/01JK8E3CT09KHR96A3PYK2KXS1.txt';
        yield 'no record' => ['/record.json', static fn (array $f): array => array_diff_key($f, ['record.json' => 1])];
        yield 'no checksums' => ['/SHA256SUMS', static fn (array $f): array => array_diff_key($f, ['SHA256SUMS' => 1]), false];
        yield 'a checksum that differs' => ['/record.json', static fn (array $f): array => [...$f, 'record.json' => "{$f['record.json']} "], false];
        yield 'a file without a checksum' => ["/{$alone}", static fn (array $f): array => [...$f, $alone => ''], false];
        yield 'a checksum without its file' => ['/photos/', static fn (array $f): array => array_diff_key($f, [$photo($f) => 1]), false];
        yield 'a list that is none' => ['/SHA256SUMS', static fn (array $f): array => [...$f, 'SHA256SUMS' => 'x'], false];
        yield 'a way out of the folder' => ['/../../x.txt', static fn (array $f): array => [...$f, '../../x.txt' => 'x']];
        yield 'a program' => ['/photos/x.php', static fn (array $f): array => [...$f, 'photos/x.php' => '<?php']];
        yield 'a picture that is none' => ['/photos/', static fn (array $f): array => [...$f, $photo($f) => '<svg/>']];
        yield 'a picture that is cut' => ['/photos/', static fn (array $f): array => [...$f, $photo($f) => substr($f[$photo($f)], 0, 900)]];
        yield 'a text that no test was read from' => ['/memory_texts/0/id', static fn (array $f): array => [
            ...$f, 'record.json' => (string) preg_replace('/"source": "\w+"/', '"source": "01JK8E3CT09KHR96A3PYK2KXS1"', $f['record.json']),
        ]];
        yield 'a text that is still heard' => ['/memory_texts/0/state', static fn (array $f): array => [
            ...$f, 'record.json' => str_replace('"state": "whole"', '"state": "running"', $f['record.json']),
        ]];
        yield 'a radix that is none' => ['/memory_texts/0/radix', static fn (array $f): array => [
            ...$f, 'record.json' => (string) preg_replace('/"radix": 16,\s*"pattern"/', '"radix": 7, "pattern"', $f['record.json']),
        ]];
    }

    /** @param \Closure(array<string, string>): array<string, string> $spoil */
    #[DataProvider('spoiled')]
    public function test_a_spoiled_archive_is_refused_whole(string $pointer, \Closure $spoil, bool $summed = true): void
    {
        $zip = self::changed(self::foreign($this->archive($this->storied()[0])), $spoil, $summed);
        $before = $this->counts();
        $fault = $this->send($zip)->assertStatus(422);
        self::assertStringStartsWith($pointer, self::text($fault->json('errors.0.pointer')), (string) $fault->getContent());
        self::assertSame($before, $this->counts());
        self::assertSame([], glob(sys_get_temp_dir().'/board-*'));
    }

    public function test_what_is_no_archive_and_what_would_burst(): void
    {
        self::assertRefused($this->as(Role::Technician)->post('/api/boards/import-archive', [], ['Accept' => 'application/json']), '/file');
        self::assertRefused($this->send('no zip'), '/file');
        self::assertRefused($this->send(substr($this->archive($this->storied()[0]), 0, -40)), '/file');
        $file = (string) tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents("{$file}.big", '');
        $big = fopen("{$file}.big", 'w') ?: self::fail();
        ftruncate($big, 401_000_000);
        $zip = new \ZipArchive();
        $zip->open($file, \ZipArchive::OVERWRITE);
        $zip->addFile("{$file}.big", 'record.json');
        $zip->close();
        self::assertLessThan(1_000_000, filesize($file));
        self::assertRefused($this->send((string) file_get_contents($file)), '/file', '400 MB');
        array_map(unlink(...), [$file, "{$file}.big"]);
    }
}
