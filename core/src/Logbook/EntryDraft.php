<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\InvalidDocument;
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
        $at = $node->at('line');
        try {
            $line = $lines->read($at->text(self::LONGEST_LINE));
            $kind = $kinds->all[$line->kind];

            return self::make($node, $kind, $line->text, $line->read($kinds), $line->minutes);
        } catch (UnclearLine $problem) {
            $at->refuse($problem->getMessage());
        } catch (InvalidDocument $problem) {
            // What the line says was understood and is wrong; there is no field of the body to point to but the line.
            throw str_starts_with($problem->pointer, LineSaid::POINTER) ? InvalidDocument::at($at->pointer, $problem->detail) : $problem;
        }
    }

    private static function make(Node $node, EntryKind $kind, string $text, EntryData $data, int $minutes): self
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
        );
    }
}
