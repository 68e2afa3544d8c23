<?php

declare(strict_types=1);

namespace App\Memory;

use Ash\Document\InvalidDocument;
use Ash\Memory\Dialect;
use Ash\Memory\ErrorReader;
use Ash\Memory\FittedMemory;
use Ash\Memory\Located;
use Ash\Memory\Locator;
use Ash\Memory\Pattern;
use Ash\Memory\RadixGuess;
use Ash\Memory\Transcript;
use Ash\Quantity\Notation;
use Ash\Quantity\Radix;

/** Reads a source line by line into a locator, and says what was recognised, what was left, and what follows. */
final class ReadSource
{
    /** Lines at the end that the screen shows as they came. */
    private const TAIL = 6;

    private readonly Locator $locator;
    private readonly Transcript $transcript;

    /** @var list<string> */
    private array $tail = [];
    private int $rows = 0;
    private ?string $cut = null;
    private ?float $patience = null;
    private ?Radix $better = null;

    /** @param list<string>|null $tested bank names; null for all */
    public function __construct(
        private readonly FittedMemory $memory,
        private readonly Pattern $pattern,
        private readonly Radix $radix,
        ?array $tested,
        Dialect $dialect = new Dialect(),
    ) {
        $banks = array_map(static fn ($bank): bool => $tested === null || in_array($bank->name, $tested, true), $memory->map->banks);
        $this->locator = new Locator($memory->map, $banks, $pattern);
        $this->transcript = new Transcript($memory->map, $this->locator, $radix, $dialect);
    }

    public static function of(Source $source): self
    {
        return new self($source->fitted(), $source->withPattern(), $source->inRadix(), $source->tested, $source->dialect());
    }

    public function line(string $line): void
    {
        $this->transcript->line($line);
        $this->tail[] = mb_substr(mb_scrub(rtrim($line)), 0, 160);
        if (count($this->tail) > self::TAIL) {
            array_shift($this->tail);
        }
    }

    /** @param iterable<string> $lines with their ends */
    public function text(iterable $lines): self
    {
        foreach ($lines as $line) {
            $this->line($line);
        }
        $this->tail = [];

        return $this;
    }

    /**
     * @param iterable<string> $lines
     *
     * @throws InvalidDocument at /file, with the row, when another row than the last cannot be read
     */
    public function csv(iterable $lines): self
    {
        $guess = new RadixGuess($this->memory->map, $this->radix);
        $count = function (iterable $lines): \Generator {
            foreach ($lines as $line) {
                ++$this->rows;
                yield $line;
            }
        };
        try {
            $this->cut = (new ErrorReader($this->memory->map, $this->locator, $this->radix, $guess))->csv($count($lines), true);
        } catch (InvalidDocument $fault) {
            preg_match('~^/errors(?:/(\d+))?(?:/(\w+))?$~', $fault->pointer, $m);
            // Rows count from 0 behind the header.
            throw InvalidDocument::at('/file', (($m[1] ?? '') === '' ? '' : 'line '.((int) $m[1] + 2).', ').ltrim(($m[2] ?? '').' '.$fault->detail));
        }
        $this->better = $guess->better();

        return $this;
    }

    /** Reading took too long: what was read until then counts, and is marked. */
    public function givenUp(float $seconds): void
    {
        $this->patience = $seconds;
    }

    public function cut(): ?string
    {
        $read = max($this->rows, $this->transcript->lines);

        return match (true) {
            $this->patience !== null => "only the first {$read} lines were read, in ".Notation::plain($this->patience)
                .' s; bin/ash memory locate --errors reads the whole file',
            $this->cut !== null => "line {$this->rows} {$this->cut}",
            default => null,
        };
    }

    public function result(): SourceRead
    {
        $csv = $this->rows > 0;
        $line = static fn (array $it): SourceLine => new SourceLine($it['line'], $it['text'], $it['says']);

        return new SourceRead(
            lines: $csv ? $this->rows : $this->transcript->lines,
            recognised: $csv ? $this->locator->errors : $this->transcript->recognised,
            leftOver: $csv ? ($this->cut === null ? 0 : 1) : $this->transcript->leftOver,
            shown: array_map($line, $this->transcript->shown),
            left: array_map($line, $this->transcript->left),
            tail: $this->tail,
            passes: $this->transcript->passes,
            failedPasses: $this->transcript->failedPasses,
            betterRadix: ($csv ? $this->better : $this->transcript->betterRadix())?->value,
            located: Located::of($this->memory->map, $this->locator, $this->pattern),
        );
    }

    public function errors(): int
    {
        return $this->locator->errors;
    }
}
