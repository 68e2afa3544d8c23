<?php

declare(strict_types=1);

namespace Ash\Tests;

use PHPUnit\Framework\TestCase;

/** The house: rules of the trade stand in core and nowhere else. What PHP may import is checked by tests/Architecture.php. */
final class HouseTest extends TestCase
{
    private static function root(): string
    {
        return dirname(__DIR__, 2);
    }

    /** @return iterable<string, string> text by path */
    private static function files(string $folder, string $pattern): iterable
    {
        $all = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(self::root().'/'.$folder, \FilesystemIterator::SKIP_DOTS));
        foreach ($all as $file) {
            if ($file instanceof \SplFileInfo && preg_match($pattern, $file->getFilename()) === 1) {
                yield $file->getPathname() => (string) file_get_contents($file->getPathname());
            }
        }
    }

    public function test_core_asks_neither_the_clock_nor_chance_nor_the_world(): void
    {
        $calls = '/\b(time|microtime|hrtime|date|rand|mt_rand|random_int|random_bytes|'
            .'file_get_contents|fopen|getenv|curl_\w+|mysqli\w*|sleep|exec|shell_exec)\(|'
            .'new \\\\DateTimeImmutable\(\)|\$_(GET|POST|SERVER|ENV)|\bglobal \$|\bstatic \$/';
        foreach (self::files('core/src', '/\.php$/') as $path => $text) {
            self::assertStringContainsString('declare(strict_types=1);', $text, $path);
            // Shapes are remembered by class: what a class declares never changes while a program runs.
            self::assertDoesNotMatchRegularExpression($calls, str_replace('static $known = [];', '', $text), $path);
        }
    }

    public function test_a_line_is_read_at_a_glance(): void
    {
        foreach (['app', 'bin', 'bootstrap', 'config', 'core', 'database', 'resources/ts', 'routes', 'standins', 'tests'] as $folder) {
            foreach (self::files($folder, '/(?<!generated\.d)\.(php|tsx?)$|^ash$/') as $path => $text) {
                $long = array_filter(explode("\n", $text), static fn (string $line): bool => mb_strlen($line) > 160);
                self::assertSame([], $long, $path);
            }
        }
    }

    public function test_every_php_file_is_strict(): void
    {
        foreach (['app', 'config', 'database', 'routes', 'standins', 'tests'] as $folder) {
            foreach (self::files($folder, '/\.php$/') as $path => $text) {
                self::assertStringContainsString('declare(strict_types=1);', $text, $path);
            }
        }
    }
}
