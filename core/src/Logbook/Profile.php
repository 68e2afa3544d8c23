<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\Node;
use Ash\Logbook\Entries\Connector;

/**
 * The description of a machine: its boards, cautions, connectors, notes on sources that proved wrong, and a section of each room that
 * has something to say about it. The document is kept as it was given; this class knows what it means.
 */
final readonly class Profile
{
    public const FORMAT = 'ash-bench/machine-profile/1';
    public const FIELDS = ['format', 'slug', 'name', 'kind', 'boards', 'source_notes', 'cautions', 'connectors'];

    /**
     * @param list<ProfileBoard> $boards
     * @param list<SourceNote>   $sourceNotes
     * @param list<Caution>      $cautions
     * @param list<Connector>    $connectors  which way round they sit
     * @param list<object>       $sections    one of a class
     */
    private function __construct(
        public string $slug,
        public string $name,
        public string $kind,
        public array $boards,
        public array $sourceNotes,
        public array $cautions,
        public array $connectors,
        private array $sections = [],
    ) {
    }

    /**
     * The hall's own fields; which others may be there is the caller's to know.
     *
     * @throws \Ash\Document\InvalidDocument
     */
    public static function bare(Node $node): self
    {
        if ($node->at('format')->string() !== self::FORMAT) {
            $node->at('format')->refuse('must be '.self::FORMAT);
        }
        if (preg_match('/^[a-z0-9]+(-[a-z0-9]+)*$/D', $node->at('slug')->text(60)) !== 1) {
            $node->at('slug')->refuse('must be lower-case letters and digits with single hyphens');
        }
        $boards = ProfileBoard::readAll($node->at('boards'));

        return new self(
            slug: $node->at('slug')->string(),
            name: $node->at('name')->text(120),
            kind: $node->at('kind')->text(120),
            boards: $boards,
            sourceNotes: SourceNote::readAll($node->optional('source_notes')),
            cautions: array_map(static fn (Node $word): Caution => $word->enum(Caution::class), $node->optional('cautions')?->items() ?? []),
            connectors: ConnectorsSection::readAll($node->optional('connectors')),
        );
    }

    /** With a room's section; one of the same class gives way. */
    public function with(object $section): self
    {
        $others = array_values(array_filter($this->sections, static fn (object $it): bool => $it::class !== $section::class));

        return new self(
            slug: $this->slug,
            name: $this->name,
            kind: $this->kind,
            boards: $this->boards,
            sourceNotes: $this->sourceNotes,
            cautions: $this->cautions,
            connectors: $this->connectors,
            sections: [...$others, $section],
        );
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return T|null what a room's section has read; null when the description says nothing of it
     */
    public function section(string $class): ?object
    {
        foreach ($this->sections as $section) {
            if ($section instanceof $class) {
                return $section;
            }
        }

        return null;
    }

    /** @return list<string> */
    public function boardKeys(): array
    {
        return array_map(static fn (ProfileBoard $board): string => $board->key, $this->boards);
    }

    /** @throws \Ash\Document\InvalidDocument when the key is no board's */
    public function boardKey(Node $key): string
    {
        return in_array($key->string(), $this->boardKeys(), true)
            ? $key->string()
            : $key->refuse('is not a board of this machine: '.implode(', ', $this->boardKeys()));
    }

    /**
     * The cautions that apply at a stage: the stage's own, and the machine's wherever someone is inside it or it is under power.
     *
     * @return list<Caution>
     */
    public function cautionsAt(Stage $stage): array
    {
        $inside = !in_array($stage, [Stage::Intake, Stage::Rebuild, Stage::Close], true);

        return array_values(array_unique([...$stage->cautions(), ...($inside ? $this->cautions : [])], SORT_REGULAR));
    }
}
