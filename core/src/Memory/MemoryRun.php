<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\Id;
use Ash\Document\Field\ListOf;
use Ash\Document\Field\Name;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Document\Kept;
use Ash\Document\WrittenEmpty;
use Ash\Facts\Answered;
use Ash\Logbook\EntryData;
use Ash\Logbook\UnderCondition;
use Ash\Quantity\Notation;

/** A memory test that is kept: what it showed, and what the core made of it. */
final readonly class MemoryRun implements EntryData, UnderCondition
{
    public const KIND = 'memory';

    /**
     * @param string                                  $source   what was read
     * @param list<string>|null                       $tested   banks; null for all
     * @param string                                  $map      key of the memory in the description
     * @param array<array-key, array<array-key, int>> $matrix   errors by bank and bit
     * @param list<LocatedSuspect>                    $suspects
     * @param list<string>                            $reasons
     * @param ?string                                 $cut      why it is not whole
     */
    public function __construct(
        #[Id]
        public string $source,
        public Pattern $pattern = Pattern::None,
        #[WrittenEmpty]
        #[ListOf(new Name())]
        public ?array $tested = null,
        public Condition $condition = new Condition(),
        #[Kept]
        #[Name]
        public string $map = '',
        #[Kept]
        #[Name]
        public string $name = 'memory',
        #[Kept]
        #[Whole(2)]
        public int $radix = 16,
        #[Kept]
        public ?SourceForm $from = null,
        #[Kept]
        #[Whole(0)]
        public int $errors = 0,
        #[Kept]
        #[Whole(0)]
        public int $unmapped = 0,
        #[Kept]
        #[Whole(0)]
        public int $unexplained = 0,
        #[Kept]
        #[Whole(0)]
        public int $passes = 0,
        #[Kept]
        #[Whole(0)]
        public int $failedPasses = 0,
        #[Kept]
        #[Whole(0)]
        public int $leftOver = 0,
        #[Kept]
        #[ErrorCounts]
        public array $matrix = [],
        #[Kept]
        #[WrittenEmpty]
        #[ListOf(LocatedSuspect::class)]
        public array $suspects = [],
        #[Kept]
        #[ListOf(new Text())]
        public array $reasons = [],
        #[Kept]
        #[Text]
        public ?string $cut = null,
        #[Kept]
        public ?SwapJudged $swap = null,
    ) {
    }

    public function condition(): string
    {
        return $this->condition->words();
    }

    /** A test of which a line was not understood is no clean test. */
    public function notRead(): bool
    {
        return $this->errors === 0 && $this->leftOver > 0;
    }

    public function top(): ?LocatedSuspect
    {
        return $this->suspects[0] ?? null;
    }

    /** @return list<Answered> what it blames first; "clean" when it ended without an error and all of it was understood */
    public function answers(): array
    {
        $top = $this->top();

        return match (true) {
            $top !== null && $this->errors > 0 => [new Answered('memory', $top->kind->value, $top->called)],
            $this->errors === 0 && !$this->notRead() && $this->cut === null => [new Answered('memory', 'clean', 'the test ended without an error')],
            default => [],
        };
    }

    public function sentence(string $text): string
    {
        $top = $this->top();
        $pattern = $this->pattern === Pattern::None ? '' : ", {$this->pattern->value} pattern";
        $found = match (true) {
            $this->notRead() => "not read: {$this->leftOver} ".($this->leftOver === 1 ? 'line was' : 'lines were').' not understood.',
            $this->errors === 0 => 'no error.',
            $top === null => "{$this->counted()}. None of them falls on the map.",
            default => "{$this->counted()}. {$top->text} ".Notation::plain($top->probability * 100, 3).' %.',
        };

        return "Memory test of {$this->name}{$pattern}, {$this->condition()}: {$found}".($this->swap === null ? '' : " {$this->swap->text}")
            .($this->cut === null ? '' : " Not whole: {$this->cut}.");
    }

    private function counted(): string
    {
        return "{$this->errors} ".($this->errors === 1 ? 'error' : 'errors');
    }
}
