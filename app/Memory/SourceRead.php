<?php

declare(strict_types=1);

namespace App\Memory;

use Ash\Document\Field\ListOf;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Document\Shape;
use Ash\Memory\Located;

/** What was read of a source, and what follows from it. */
final readonly class SourceRead
{
    private const FLAGS = JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE;

    /**
     * @param int              $leftOver    lines that nobody could read
     * @param list<SourceLine> $shown
     * @param list<SourceLine> $left        the first of them
     * @param list<string>     $tail        the last lines of a capture as they came
     * @param ?int             $betterRadix in which nearly all addresses would fall into a bank
     */
    public function __construct(
        #[Whole(0)]
        public int $lines = 0,
        #[Whole(0)]
        public int $recognised = 0,
        #[Whole(0)]
        public int $leftOver = 0,
        #[ListOf(SourceLine::class)]
        public array $shown = [],
        #[ListOf(SourceLine::class)]
        public array $left = [],
        #[ListOf(new Text())]
        public array $tail = [],
        #[Whole(0)]
        public int $passes = 0,
        #[Whole(0)]
        public int $failedPasses = 0,
        #[Whole(2)]
        public ?int $betterRadix = null,
        public Located $located = new Located(),
    ) {
    }

    public static function kept(string $json): self
    {
        $stored = json_decode($json);

        return Shape::of(self::class)->revive($stored instanceof \stdClass ? $stored : new \stdClass());
    }

    public function json(): string
    {
        return json_encode((object) Shape::of(self::class)->write($this), self::FLAGS);
    }
}
