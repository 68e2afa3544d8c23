<?php

declare(strict_types=1);

namespace Tests\Mutants;

/** Hands out a faulty copy in place of one class, or writes down which test reaches which file. Both are asked for by the environment. */
final class Instead
{
    public static function here(): void
    {
        $class = getenv('ASH_FAULTY_CLASS');
        if ($class !== false) {
            spl_autoload_register(static function (string $wanted) use ($class): void {
                if ($wanted === $class) {
                    require (string) getenv('ASH_FAULTY_FILE');
                }
            }, true, true);
        }
        $reached = getenv('ASH_REACHED');
        if ($reached !== false) {
            self::watch($reached, explode("\n", (string) getenv('ASH_REACHED_OF')));
        }
    }

    /** Called by the copies that watch() hands out, at the beginning of each of their functions. */
    public static function reached(string $file): void
    {
        static $seen = [];
        foreach (debug_backtrace(DEBUG_BACKTRACE_IGNORE_ARGS) as $frame) {
            $class = $frame['class'] ?? '';
            if (str_starts_with($class, 'Tests\\Http\\') && str_starts_with($frame['function'], 'test_')) {
                $key = "{$file} ".substr($class, strlen('Tests\\Http\\'))."::{$frame['function']}";
                if (!isset($seen[$key])) {
                    $seen[$key] = true;
                    file_put_contents((string) getenv('ASH_REACHED'), "{$key}\n", FILE_APPEND);
                }
            }
        }
    }

    /** @param list<string> $files */
    private static function watch(string $reached, array $files): void
    {
        file_put_contents($reached, '');
        spl_autoload_register(static function (string $wanted) use ($files): void {
            $file = 'app/'.strtr(substr($wanted, 4), '\\', '/').'.php';
            if (!str_starts_with($wanted, 'App\\') || !in_array($file, $files, true)) {
                return;
            }
            $call = '\\'.self::class."::reached('{$file}');";
            $copy = tempnam(sys_get_temp_dir(), 'ash-watched-');
            file_put_contents($copy, preg_replace('/(\bfunction \w+\([^{;]*\{)/s', "$1 {$call}", (string) file_get_contents($file)));
            require $copy;
            unlink($copy);
        }, true, true);
    }
}
