<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;

/** An entry as it is handed in, before the record takes it. */
final readonly class EntryDraft
{
    /** @param array<string, mixed> $data */
    private function __construct(
        public string $id,
        public EntryKind $kind,
        public \DateTimeImmutable $at,
        public int $minutes,
        public ?Stage $stage,
        public ?string $board,
        public string $text,
        public array $data,
        public ?string $corrects,
        /** For "undone" and "arrived" said in a quick line: the words by which the open item is to be found. */
        public ?string $match = null,
    ) {
    }

    private const SHARED = ['id', 'at', 'minutes', 'stage', 'board', 'corrects'];

    /** Either structured ({kind, text, data}) or one quick line ({line}). */
    public static function read(Node $node): self
    {
        $node->only(...self::SHARED, ...['kind', 'text', 'data', 'line'])->exclusive('line', 'kind')->exclusive('line', 'data')->exclusive('line', 'text');

        return $node->has('line') ? self::fromLine($node) : self::structured($node);
    }

    private static function structured(Node $node): self
    {
        $kind = $node->at('kind')->enum(EntryKind::class);
        if ($kind === EntryKind::Withdrawn && !$node->has('corrects')) {
            $node->at('corrects');
        }
        $text = $kind->speaksForItself() && !$node->has('text') ? '' : $node->at('text')->text();

        return self::make($node, $kind, $text, EntryData::read($kind, $node->optional('data') ?? Node::of(new \stdClass(), $node->pointer.'/data')), 0);
    }

    private static function fromLine(Node $node): self
    {
        try {
            $line = QuickLine::parse($node->at('line')->text(2000));
        } catch (UnclearLine $problem) {
            $node->at('line')->refuse($problem->getMessage());
        }
        try {
            $data = $line->match === null ? EntryData::read($line->kind, Node::parse(json_encode((object) $line->data, JSON_THROW_ON_ERROR))) : [];
        } catch (InvalidDocument $problem) {
            $node->at('line')->refuse($problem->detail);
        }

        return self::make($node, $line->kind, $line->text, $data, $line->minutes, $line->match);
    }

    /** @param array<string, mixed> $data */
    private static function make(Node $node, EntryKind $kind, string $text, array $data, int $minutes, ?string $match = null): self
    {
        return new self(
            Ulid::read($node->at('id')),
            $kind,
            $node->at('at')->instant(),
            $node->optional('minutes')?->integer(0, 6000) ?? $minutes,
            $node->optional('stage')?->enum(Stage::class),
            $node->has('board') && !$node->at('board')->isNull() ? Ulid::read($node->at('board')) : null,
            $text,
            $data,
            $node->has('corrects') ? Ulid::read($node->at('corrects')) : null,
            $match,
        );
    }
}
