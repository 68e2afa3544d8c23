<?php

declare(strict_types=1);

namespace App\Logbook;

/** The files that came with a board's record: none with the document alone. They lie in a folder of their own until all of it is in. */
final class BroughtFiles
{
    /** @var array<string, object> what was made ready of a file, by its name */
    private array $ready = [];

    /** @var array<string, string> where a file goes when everything is in, by where it lies */
    private array $landing = [];

    /** @param ?string $folder null: no file came along */
    public function __construct(private readonly ?string $folder = null, public readonly bool $own = false)
    {
    }

    /** Where a file of the archive lies; null when it did not come along. */
    public function path(string $name): ?string
    {
        return $this->folder !== null && is_file("{$this->folder}/{$name}") ? "{$this->folder}/{$name}" : null;
    }

    public function keep(string $name, object $ready): void
    {
        $this->ready[$name] = $ready;
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $of
     *
     * @return T|null
     */
    public function ready(string $name, string $of): ?object
    {
        $it = $this->ready[$name] ?? null;

        return $it instanceof $of ? $it : null;
    }

    public function begin(): void
    {
        $this->landing = [];
    }

    public function land(string $from, string $to): void
    {
        $this->landing[$from] = $to;
    }

    /** Last of all, in the transaction: what is in the record has its file. */
    public function end(): void
    {
        foreach ($this->landing as $from => $to) {
            is_dir(dirname($to)) || mkdir(dirname($to), 0o750, true);
            copy($from, "{$to}.in") && rename("{$to}.in", $to) || throw new \RuntimeException("cannot write {$to}");
        }
    }
}
