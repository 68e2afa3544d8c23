<?php

declare(strict_types=1);

/*
 * How many small faults do the tests notice? Run by bin/test mutants; outside the default run, and never red.
 *
 *   bin/test mutants --floor core --count 200 --seed 1 [--room Rails]
 *   bin/test mutants --floor app --count 40 --seed 1
 *
 * Each fault is put into a copy of one file that another autoloader hands out; the file itself is not touched. In core the tests of the
 * fault's room come first and the others after them. In app only the tests run that reach the faulty file, which one run of all of them
 * with the same autoloader finds out first: it writes down which test loads or calls which file.
 */

use Symfony\Component\Process\Process;
use Tests\Mutants\Fault;
use Tests\Mutants\Faults;

require __DIR__.'/../../vendor/autoload.php';

/** @var array{floor?: string, count?: string, seed?: string, room?: string, jobs?: string} $given */
$given = getopt('', ['floor:', 'count:', 'seed:', 'room:', 'jobs:']) ?: [];
$floor = $given['floor'] ?? 'core';
[$source, $namespace] = $floor === 'app' ? ['app', 'App'] : ['core/src', 'Ash'];
$root = dirname(__DIR__, 2);
chdir($root);
$scratch = sys_get_temp_dir().'/ash-mutants-'.getmypid();
mkdir($scratch);
register_shutdown_function(static fn () => (new Process(['rm', '-rf', $scratch]))->run());
$class = static fn (string $file): string => $namespace.'\\'.strtr(substr($file, strlen($source) + 1, -4), '/', '\\');
file_put_contents("{$scratch}/boot.php", sprintf("<?php require %s; Tests\\Mutants\\Instead::here();\n", var_export("{$root}/vendor/autoload.php", true)));

$files = [];
foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($source, FilesystemIterator::SKIP_DOTS)) as $file) {
    $path = (string) $file;
    str_ends_with($path, '.php') && (!isset($given['room']) || str_starts_with($path, "{$source}/{$given['room']}/")) && $files[] = $path;
}
sort($files);
mt_srand((int) ($given['seed'] ?? 1));
$faults = array_merge(...array_map(Faults::of(...), $files));
shuffle($faults);
$picked = [];
foreach ($faults as $fault) {
    // One a line, so that a long formula does not stand for the whole.
    $picked["{$fault->file}:{$fault->line}"] ??= $fault;
    if (count($picked) >= (int) ($given['count'] ?? 200)) {
        break;
    }
}

$reached = [];
if ($floor === 'app') {
    $all = new Process(
        ['php', '-d', 'memory_limit=1G', 'vendor/bin/phpunit', '--bootstrap', "{$scratch}/boot.php", '--testsuite', 'http', '--no-progress'],
        null,
        [
            'ASH_REACHED' => "{$scratch}/reached",
            'ASH_REACHED_OF' => implode("\n", array_unique(array_map(static fn (Fault $it): string => $it->file, $picked))),
        ],
        null,
        null,
    );
    $all->run() === 0 || fwrite(STDERR, "the tests are red without any fault: what is said of faults is worth nothing\n");
    foreach (file("{$scratch}/reached", FILE_IGNORE_NEW_LINES) ?: [] as $line) {
        [$file, $test] = explode(' ', $line, 2);
        $reached[$file][$test] = true;
    }
}

/** @return list<list<string>> arguments of PHPUnit, the quickest run first */
$runs = static function (Fault $fault) use ($floor, $source, $reached): array {
    $room = explode('/', substr($fault->file, strlen($source) + 1))[0];
    if ($floor === 'core') {
        return [
            ...array_map(static fn (string $it): array => [$it], array_filter(["core/tests/{$room}", 'core/tests/Recorded'], is_dir(...))),
            ['--testsuite', 'core'],
        ];
    }
    $tests = array_keys($reached[$fault->file] ?? []);

    return $tests === [] ? [] : [['--testsuite', 'http', '--filter', '/('.implode('|', array_map(preg_quote(...), $tests)).')( |$)/']];
};
$noticed = static function (Fault $fault, int $number) use ($scratch, $class, $runs): bool {
    file_put_contents("{$scratch}/{$number}.php", $fault->code());
    foreach ($runs($fault) as $what) {
        $run = new Process(
            [
                'php',
                '-d',
                'memory_limit=1G',
                'vendor/bin/phpunit',
                '--bootstrap',
                "{$scratch}/boot.php",
                '--do-not-cache-result',
                '--stop-on-defect',
                '--no-progress',
                ...$what,
            ],
            null,
            ['ASH_FAULTY_CLASS' => $class($fault->file), 'ASH_FAULTY_FILE' => "{$scratch}/{$number}.php"],
            null,
            600,
        );
        try {
            if ($run->run() !== 0) {
                return true;
            }
        } catch (Symfony\Component\Process\Exception\ProcessTimedOutException) {
            return true;
        }
    }

    return false;
};

$jobs = $floor === 'app' ? 1 : (int) ($given['jobs'] ?? 2);
$workers = [];
for ($worker = 0; $worker < $jobs; ++$worker) {
    $pid = pcntl_fork();
    if ($pid === 0) {
        $number = -1;
        foreach ($picked as $fault) {
            if (++$number % $jobs === $worker) {
                file_put_contents("{$scratch}/said", ($noticed($fault, $number) ? 'noticed ' : 'MISSED  ').$fault->words()."\n", FILE_APPEND | LOCK_EX);
            }
        }
        posix_kill((int) getmypid(), SIGKILL);
    }
    $workers[] = $pid;
}
foreach ($workers as $pid) {
    pcntl_waitpid($pid, $status);
}
$said = file("{$scratch}/said", FILE_IGNORE_NEW_LINES) ?: [];
$missed = array_values(array_filter($said, static fn (string $it): bool => str_starts_with($it, 'MISSED')));
sort($missed);
echo implode(
    "\n",
    [...$missed, sprintf('noticed %d of %d: %.1f %%', count($said) - count($missed), count($said), 100 * (1 - count($missed) / max(1, count($said))))],
)."\n";
