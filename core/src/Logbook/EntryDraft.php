<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\Json;
use Ash\Document\Node;
use Ash\Document\Ulid;

/** An entry as it is handed in, before the record takes it. */
final readonly class EntryDraft
{
    private const LONGEST_LINE = 2000;
    private const MOST_MINUTES = 6000;
    private const SHARED = ['id', 'at', 'minutes', 'stage', 'board', 'corrects'];

    /** @param string $received what was handed in, as canonical JSON: the same entry sent again is told by it */
    private function __construct(
        public string $id,
        public EntryKind $kind,
        public \DateTimeImmutable $at,
        public int $minutes,
        public ?Stage $stage,
        public ?string $board,
        public string $text,
        public EntryData $data,
        public ?string $corrects,
        public string $received,
        public ?string $doubt = null,
        public ?self $also = null,
    ) {
    }

    /** Either structured ({kind, text, data}) or one quick line ({line}). */
    public static function read(Node $node, Kinds $kinds, Lines $lines): self
    {
        $node->only(...self::SHARED, ...['kind', 'text', 'data', 'line'])
            ->exclusive('line', 'kind')->exclusive('line', 'data')->exclusive('line', 'text');

        return $node->has('line') ? self::fromLine($node, $kinds, $lines) : self::structured($node, $kinds);
    }

    /**
     * @param list<array<string, mixed>> $data schemas of the data of all kinds
     *
     * @return array<string, mixed> JSON Schema (draft 2020-12) of what read() takes
     */
    public static function schema(Kinds $kinds, array $data): array
    {
        $id = ['type' => 'string', 'pattern' => Ulid::PATTERN];

        return [
            'type' => 'object',
            'properties' => [
                'id' => [...$id, 'description' => 'ULID made by the client: sending it twice stores it once'],
                'at' => ['type' => 'string', 'format' => 'date-time'],
                'line' => ['type' => 'string', 'maxLength' => self::LONGEST_LINE, 'description' => 'a quick line; excludes kind, text and data'],
                'kind' => ['type' => 'string', 'enum' => array_keys($kinds->all)],
                'text' => ['type' => 'string'],
                'data' => ['anyOf' => $data],
                'minutes' => ['type' => 'integer', 'minimum' => 0, 'maximum' => self::MOST_MINUTES],
                'stage' => ['type' => 'string', 'enum' => array_map(static fn (Stage $it): string => $it->value, Stage::cases())],
                'board' => [...$id, 'type' => ['string', 'null']],
                'corrects' => $id,
            ],
            'required' => ['id', 'at'],
            'additionalProperties' => false,
        ];
    }

    private static function structured(Node $node, Kinds $kinds): self
    {
        $kind = $kinds->named($node->at('kind'));
        $kind->name !== LogbookRoom::WITHDRAWN || $node->at('corrects');
        $text = $kind->spoken !== Spoken::Needed && !$node->has('text') ? '' : $node->at('text')->text();
        $data = $node->optional('data') ?? Node::of(new \stdClass(), $node->pointer.'/data');

        return self::make($node, $kind, $text, $kinds->read($kind, $data), 0);
    }

    private static function fromLine(Node $node, Kinds $kinds, Lines $lines): self
    {
        return self::said($node, $kinds, $lines->plainly($node->at('line')->text(self::LONGEST_LINE), $kinds));
    }

    private static function said(Node $node, Kinds $kinds, LineSaid $line): self
    {
        $first = self::make($node, $kinds->all[$line->kind], $line->text, $line->read($kinds), $line->minutes, $line->doubt);
        if ($line->also === null) {
            return $first;
        }
        $beside = clone $node->object();
        $beside->id = Ulid::beside($first->id);
        unset($beside->minutes, $beside->corrects);

        return $first->with(self::said(Node::of($beside, $node->pointer), $kinds, $line->also));
    }

    /** Kept as what was typed, when the record cannot place what it says. */
    public function asObservation(Node $node, Kinds $kinds, string $doubt): self
    {
        $line = $node->at('line')->text(self::LONGEST_LINE);

        return self::make($node, $kinds->all[LogbookRoom::OBSERVATION], $line, new Entries\Words(), $this->minutes, $doubt);
    }

    private function with(self $also): self
    {
        return new self(
            id: $this->id, kind: $this->kind, at: $this->at, minutes: $this->minutes, stage: $this->stage, board: $this->board, text: $this->text,
            data: $this->data, corrects: $this->corrects, received: $this->received, doubt: $this->doubt, also: $also,
        );
    }

    private static function make(Node $node, EntryKind $kind, string $text, EntryData $data, int $minutes, ?string $doubt = null): self
    {
        return new self(
            id: Ulid::read($node->at('id')),
            kind: $kind,
            at: $node->at('at')->instant(),
            minutes: $node->optional('minutes')?->integer(0, self::MOST_MINUTES) ?? $minutes,
            stage: $node->optional('stage')?->enum(Stage::class),
            board: $node->has('board') && !$node->at('board')->isNull() ? Ulid::read($node->at('board')) : null,
            text: $text,
            data: $data,
            corrects: $node->has('corrects') ? Ulid::read($node->at('corrects')) : null,
            received: Json::canonical($node->object()),
            doubt: $doubt,
        );
    }
}
