<?php

declare(strict_types=1);

namespace Tests\Browser;

use Symfony\Component\Process\Process;
use Symfony\Component\Uid\Ulid;
use Tests\Bench\Client;

/** A backup taken while work goes on comes back whole; what was changed on the way is noticed. */
final class BackupTest extends TestCase
{
    private string $folder = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/ash-backup-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        $this->chrome->go('/');
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->folder]))->run();
        parent::tearDown();
    }

    /**
     * @param list<string>          $arguments
     * @param array<string, string> $environment
     */
    private function program(string $command, array $arguments, array $environment = []): Process
    {
        $process = new Process(
            [dirname(__DIR__, 2)."/bin/{$command}", ...$arguments],
            null,
            ['ASH_VAR' => self::environment('ASH_VAR'), 'ASH_PASS_PHRASE' => '', 'ASH_RESTORE_DB_PORT' => '13177', ...$environment],
            null,
            120,
        );
        $process->run();

        return $process;
    }

    public function test_it_is_whole_though_work_goes_on_and_comes_back_into_an_empty_place(): void
    {
        $client = Client::signedIn(self::environment('ASH_URL'), self::environment('ASH_VAR'));
        $job = self::one("SELECT id FROM jobs WHERE state = 'open' ORDER BY number LIMIT 1");
        $entries = static fn (int $many): array => array_map(static fn (): array => [
            "/api/jobs/{$job}/entries", ['id' => Ulid::generate(), 'at' => gmdate('Y-m-d\TH:i:s\Z'), 'line' => 'note while the backup runs'],
        ], range(1, $many));
        $client->together($entries(3));
        $before = self::one('SELECT COUNT(*) FROM entries');
        $backup = new Process(
            [dirname(__DIR__, 2).'/bin/backup', "{$this->folder}/a.tar.sealed"],
            null,
            ['ASH_VAR' => self::environment('ASH_VAR'), 'ASH_PASS_PHRASE' => 'seven long words for a test'],
            null,
            120,
        );
        $backup->start();
        while ($backup->isRunning()) {
            self::assertSame([201, 201], array_column($client->together($entries(2)), 0));
        }
        self::assertSame(0, $backup->getExitCode(), $backup->getErrorOutput());
        self::assertStringNotContainsString('base64:', (string) file_get_contents("{$this->folder}/a.tar.sealed"));
        $phrase = ['ASH_PASS_PHRASE' => 'seven long words for a test'];
        $rehearsal = $this->program('restore', ['--rehearse', "{$this->folder}/a.tar.sealed"], $phrase);
        self::assertSame(0, $rehearsal->getExitCode(), $rehearsal->getErrorOutput());
        self::assertStringContainsString('every entry of the archive is in the running one, unchanged', $rehearsal->getOutput());
        $place = "{$this->folder}/empty";
        $restored = $this->program('restore', ["{$this->folder}/a.tar.sealed"], [...$phrase, 'ASH_VAR' => $place]);
        self::assertSame(0, $restored->getExitCode(), $restored->getErrorOutput());
        self::assertFileExists("{$place}/storage/app");
        preg_match('/entries\s+(\d+)/', $rehearsal->getOutput(), $m);
        self::assertGreaterThanOrEqual((int) $before, (int) ($m[1] ?? 0));
        $key = static fn (string $file): string => preg_match('/^APP_KEY=.*/m', (string) file_get_contents($file), $m) === 1 ? $m[0] : '';
        self::assertSame($key(self::environment('ASH_VAR').'/.env'), $key("{$place}/.env"));
        $again = $this->program('restore', ["{$this->folder}/a.tar.sealed"], [...$phrase, 'ASH_VAR' => $place]);
        self::assertSame(1, $again->getExitCode(), 'not over another one');
    }

    public function test_what_was_changed_on_the_way_is_noticed(): void
    {
        $file = "{$this->folder}/b.tar";
        self::assertSame(0, $this->program('backup', [$file])->getExitCode());
        self::assertSame(1, $this->program('backup', [$file])->getExitCode(), 'never over a file');
        foreach (['a byte' => [0.5, false], 'the end' => [0.5, true]] as $what => [$at, $cut]) {
            $bytes = (string) file_get_contents($file);
            $place = (int) (strlen($bytes) * $at);
            $flipped = static fn (): string => substr_replace($bytes, chr(ord($bytes[$place]) ^ 1), $place, 1);
            file_put_contents("{$this->folder}/spoiled.tar", $cut ? substr($bytes, 0, $place) : $flipped());
            $said = $this->program('restore', ['--rehearse', "{$this->folder}/spoiled.tar"]);
            self::assertSame(1, $said->getExitCode(), $what);
            self::assertStringContainsString('damaged', $said->getErrorOutput());
        }
        self::assertSame(0, $this->program('backup', ["{$this->folder}/c.sealed"], ['ASH_PASS_PHRASE' => 'right'])->getExitCode());
        $wrong = $this->program('restore', ['--rehearse', "{$this->folder}/c.sealed"], ['ASH_PASS_PHRASE' => 'wrong']);
        self::assertStringContainsString('pass phrase does not fit', $wrong->getErrorOutput());
    }

    public function test_of_dated_ones_seven_days_four_weeks_and_twelve_months_are_kept(): void
    {
        for ($days = 1; $days < 500; ++$days) {
            touch("{$this->folder}/ash-bench-".gmdate('Y-m-d', time() - 86_400 * $days).'T020000Z.tar');
        }
        touch("{$this->folder}/something-else.tar");
        self::assertSame(0, $this->program('backup', ['--into', $this->folder])->getExitCode());
        $kept = array_map(static fn (string $it): string => substr(basename($it), 10, 10), glob("{$this->folder}/ash-bench-*") ?: []);
        rsort($kept);
        $day = static fn (int $ago): string => gmdate('Y-m-d', time() - 86_400 * $ago);
        self::assertSame(array_map($day, range(0, 6)), array_slice($kept, 0, 7));
        self::assertCount(12, array_unique(array_map(static fn (string $it): string => substr($it, 0, 7), $kept)));
        self::assertLessThanOrEqual(7 + 4 + 12, count($kept));
        self::assertFileExists("{$this->folder}/something-else.tar");
    }
}
