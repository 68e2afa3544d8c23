<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Node;

/** How a disk is laid out: the same number of sectors on every track, or a table of zones. */
final readonly class DiskFormat
{
    /** @param list<array{int, int}> $zones tracks and sectors of each; empty without zones */
    private function __construct(
        public int $tracks,
        public int $sides,
        private int $sectors,
        private int $sectorBytes,
        public Encoding $encoding,
        private array $zones,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->only('tracks', 'sides', 'sectors', 'bytes', 'encoding', 'zones')->exclusive('sectors', 'zones')->exclusive('encoding', 'zones');
        $tracks = $node->at('tracks')->integer(1);
        $zones = [];
        foreach ($node->optional('zones')?->items() ?? [] as $zone) {
            $zones[] = [$zone->only('tracks', 'sectors')->at('tracks')->integer(1), $zone->at('sectors')->integer(1)];
        }
        !$node->has('zones') || array_sum(array_column($zones, 0)) === $tracks || $node->at('zones')->refuse("must have {$tracks} tracks in all");

        return new self(
            $tracks,
            $node->at('sides')->integer(1, 2),
            $node->has('zones') ? 0 : $node->at('sectors')->integer(1),
            $node->at('bytes')->integer(1),
            $node->optional('encoding')?->enum(Encoding::class) ?? Encoding::Mfm,
            $zones,
        );
    }

    public function zoned(): bool
    {
        return $this->zones !== [];
    }

    public function trackBytes(): int|float
    {
        return array_product([$this->sectors, $this->sectorBytes]);
    }

    public function bytes(): int|float
    {
        $sectors = array_sum(array_map(array_product(...), $this->zones === [] ? [[$this->tracks, $this->sectors]] : $this->zones));

        return array_product([$this->sides, $sectors, $this->sectorBytes]);
    }
}
