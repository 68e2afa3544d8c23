<?php

declare(strict_types=1);

namespace Ash\Tests;

use PhpParser\Node;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitor\NameResolver;
use PhpParser\NodeVisitorAbstract;
use PhpParser\ParserFactory;

/** Who knows whom on a floor: the folders of a source tree as they lie on the disk, and the names that their files use. */
final readonly class Arrows
{
    /**
     * @param array<string, array<string, list<string>>> $arrows  folder to folder, with the files that draw the arrow
     * @param list<string>                               $folders on the disk
     * @param array<string, list<string>>                $foreign names from outside, by file
     */
    private function __construct(public array $arrows, public array $folders, public array $foreign)
    {
    }

    /** @param string $namespace of the tree, such as Ash */
    public static function php(string $root, string $namespace): self
    {
        $arrows = $foreign = [];
        foreach (self::files($root, '/\.php$/') as $path => $code) {
            $from = explode('/', $path);
            foreach (self::names($code) as $name) {
                $parts = explode('\\', $name);
                if ($parts[0] !== $namespace) {
                    count($parts) > 1 && $foreign[$path][] = $name;
                } elseif (count($parts) > 2 && count($from) > 1 && $parts[1] !== $from[0]) {
                    $arrows[$from[0]][$parts[1]][] = $path;
                }
            }
        }

        return new self($arrows, self::folders($root), $foreign);
    }

    /** TypeScript's folders; every room is one, as "rooms/rails". Files that lie beside the folders may know everything. */
    public static function typeScript(string $root): self
    {
        $arrows = [];
        foreach (self::files($root, '/(?<!\.d)\.tsx?$/') as $path => $code) {
            preg_match_all('/(?:from|import)\s*\(?\s*[\'"](\.[^\'"]+)[\'"]/', $code, $found);
            foreach ($found[1] as $to) {
                $from = self::part($path);
                $target = self::part(self::resolved(dirname($path), $to));
                $from === '' || $from === $target || $arrows[$from][$target][] = $path;
            }
        }
        $rooms = array_map(static fn (string $it): string => "rooms/{$it}", self::folders("{$root}/rooms"));

        return new self($arrows, [...array_diff(self::folders($root), ['rooms']), ...$rooms], []);
    }

    /**
     * @param array<string, list<string>> $allowed to which folders each may point
     *
     * @return list<string> what is wrong
     */
    public function wrong(array $allowed): array
    {
        $wrong = [];
        foreach ($this->folders as $folder) {
            isset($allowed[$folder]) || $wrong[] = "{$folder} lies on the disk and nobody said whom it may know";
        }
        foreach ($this->arrows as $from => $all) {
            foreach ($all as $to => $files) {
                in_array($to, $allowed[$from] ?? [], true) || $wrong[] = "{$from} knows {$to}: {$files[0]}";
            }
        }
        foreach (array_keys($this->arrows) as $folder) {
            $this->reaches($folder, $folder) && $wrong[] = "{$folder} stands in a circle";
        }

        return $wrong;
    }

    /** @param array<string, true> $seen */
    private function reaches(string $from, string $goal, array &$seen = []): bool
    {
        foreach (array_keys($this->arrows[$from] ?? []) as $to) {
            if ($to === $goal) {
                return true;
            }
            if (!isset($seen[$to])) {
                $seen[$to] = true;
                if ($this->reaches($to, $goal, $seen)) {
                    return true;
                }
            }
        }

        return false;
    }

    private static function part(string $path): string
    {
        $parts = explode('/', $path);

        return $parts[0] === 'rooms' && count($parts) > 2 ? "rooms/{$parts[1]}" : (count($parts) > 1 ? $parts[0] : '');
    }

    private static function resolved(string $folder, string $to): string
    {
        $parts = $folder === '.' ? [] : explode('/', $folder);
        foreach (explode('/', $to) as $step) {
            if ($step === '..') {
                array_pop($parts);
            } elseif ($step !== '.') {
                $parts[] = $step;
            }
        }

        return implode('/', $parts);
    }

    /** @return list<string> */
    private static function folders(string $root): array
    {
        return array_map(basename(...), glob("{$root}/*", \GLOB_ONLYDIR) ?: []);
    }

    /** @return iterable<string, string> text by path from the root */
    private static function files(string $root, string $pattern): iterable
    {
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($root, \FilesystemIterator::SKIP_DOTS)) as $file) {
            if ($file instanceof \SplFileInfo && preg_match($pattern, $file->getFilename()) === 1) {
                yield substr($file->getPathname(), strlen($root) + 1) => (string) file_get_contents($file->getPathname());
            }
        }
    }

    /** @return list<string> every class, function and constant that the code names, in full */
    private static function names(string $code): array
    {
        $seen = new class extends NodeVisitorAbstract {
            /** @var array<string, true> */
            public array $names = [];

            public function enterNode(Node $node): null
            {
                if ($node instanceof Node\Name\FullyQualified) {
                    $this->names[$node->toString()] = true;
                }

                return null;
            }
        };
        $traverser = new NodeTraverser(new NameResolver(), $seen);
        $traverser->traverse((new ParserFactory())->createForHostVersion()->parse($code) ?? []);

        return array_keys($seen->names);
    }
}
