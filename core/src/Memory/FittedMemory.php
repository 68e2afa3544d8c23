<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;

/**
 * A memory of a machine's profile: its map, the chip type that is fitted, the board it sits on, and how its sockets lie there.
 * Invariant: every chip of the map has exactly one place among the sockets.
 */
final readonly class FittedMemory
{
    private const MOST_ACROSS = 40;

    /**
     * @param ?int                $firmwareKeepsBytes of what is fitted, which the machine does not count as free; null: nobody has noted it
     * @param list<list<?string>> $sockets            rows along the board, left to right; null is a gap
     */
    private function __construct(
        public string $key,
        public string $name,
        public ?string $board,
        public ?ChipType $chip,
        public ?float $accessNs,
        public Map $map,
        public array $sockets,
        public ?int $firmwareKeepsBytes = null,
    ) {
    }

    /** @return list<self> */
    public static function readAll(?Node $list): array
    {
        $nodes = $list?->items() ?? [];
        $all = array_map(self::read(...), $nodes);
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('key'), $nodes));

        return $all;
    }

    public static function read(Node $node): self
    {
        $node->only('key', 'name', 'board', 'chip', 'access_ns', 'sockets', 'map', 'firmware_keeps_bytes');
        if (preg_match('/^[a-z0-9]+(-[a-z0-9]+)*$/D', $node->at('key')->text(40)) !== 1) {
            $node->at('key')->refuse('must be lower-case letters and digits with single hyphens');
        }
        $map = Map::read($node->at('map'));

        return new self(
            key: $node->at('key')->string(), name: $node->at('name')->text(80), board: $node->optional('board')?->text(40),
            chip: $node->optional('chip')?->enum(ChipType::class), accessNs: $node->optional('access_ns')?->positive(), map: $map,
            sockets: $node->has('sockets') ? self::sockets($node->at('sockets'), $map) : self::usual($map),
            firmwareKeepsBytes: $node->optional('firmware_keeps_bytes')?->integer(0, 1 << 40),
        );
    }

    /** Three-supply chips are destroyed by the other rails when their bias is missing. */
    public function needsBias(): bool
    {
        return $this->chip?->sheet()['three_supplies'] ?? false;
    }

    /**
     * A bank is a row, its chips in the order of their designators, as rows are usually numbered along the board.
     *
     * @return list<list<?string>>
     */
    private static function usual(Map $map): array
    {
        return array_map(static function (Bank $bank): array {
            $refs = array_map(static fn (Chip $chip): string => $chip->ref, $bank->chips);
            natsort($refs);

            return array_values($refs);
        }, $map->banks);
    }

    /** @return list<list<?string>> */
    private static function sockets(Node $rows, Map $map): array
    {
        $placed = $sockets = [];
        foreach ($rows->items() as $row) {
            count($row->items()) <= self::MOST_ACROSS || $row->refuse('must have at most '.self::MOST_ACROSS.' places');
            $places = [];
            foreach ($row->items() as $it) {
                $ref = $it->isNull() ? null : $it->string();
                $ref === null || isset($map->byRef["\0{$ref}"]) || $it->refuse("there is no chip \"{$ref}\" in the map");
                $ref !== null && isset($placed["\0{$ref}"]) && $it->refuse("\"{$ref}\" has a socket already");
                $placed["\0{$ref}"] = true;
                $places[] = $ref;
            }
            $sockets[] = $places;
        }
        $missing = array_diff_key($map->byRef, $placed);

        return $missing === []
            ? $sockets
            : $rows->refuse('has no socket for '.implode(', ', array_map(static fn (string $ref): string => substr($ref, 1), array_keys($missing))));
    }
}
