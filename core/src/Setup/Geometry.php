<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Node;
use Ash\Quantity\Compare;

/** How large a fixed disk is by its geometry, what of it old limits hide, and the table's type that fits it best. */
final readonly class Geometry
{
    private const MOST = 65_535;
    private const CYLINDERS = 1024;
    private const LABEL = 0.05;

    /** 1024 * 16 * 63 * 512; 16-bit sector counts; 32 KiB clusters; 1024 * 256 * 63 * 512 as it was cut: common practice, no source. */
    private const BARRIERS = ['chs_504' => 528_482_304, 'fat16_32' => 33_554_432, 'fat16_2g' => 2_147_483_648, 'int13_8g' => 8_455_716_864];

    /** @param list<array{type: int, cylinders: int, heads: int, sectors: int}> $types */
    private function __construct(
        private int $cylinders,
        private int $heads,
        private int $sectors,
        private int $bytesPerSector,
        private ?float $labelMb,
        private array $types,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->only('cylinders', 'heads', 'sectors', 'bytes_per_sector', 'label_mb', 'types');
        $whole = static fn (Node $it): int => $it->integer(1, self::MOST);
        $types = [];
        foreach ($node->optional('types')?->items() ?? [] as $it) {
            $it->only('type', 'cylinders', 'heads', 'sectors');
            $type = $whole($it->at('type'));
            in_array($type, array_column($types, 'type'), true) && $it->at('type')->refuse("type {$type} is given twice");
            $types[] = [
                'type' => $type,
                'cylinders' => $whole($it->at('cylinders')),
                'heads' => $whole($it->at('heads')),
                'sectors' => $whole($it->at('sectors')),
            ];
        }
        $bytes = $node->optional('bytes_per_sector');

        return new self(
            $whole($node->at('cylinders')),
            $whole($node->at('heads')),
            $whole($node->at('sectors')),
            $bytes === null ? 512 : $whole($bytes),
            $node->optional('label_mb')?->positive(),
            $types,
        );
    }

    public function bytes(): int|float
    {
        return array_product([$this->cylinders, $this->heads, $this->sectors, $this->bytesPerSector]);
    }

    public function mb(): float
    {
        return $this->bytes() / 1e6;
    }

    public function mib(): float
    {
        return $this->bytes() / 2 ** 20;
    }

    /** Labels mean either. */
    public function labelAgrees(): ?bool
    {
        $near = fn (float $size): bool => Compare::atMost(abs($size / (float) $this->labelMb - 1), self::LABEL);

        return $this->labelMb === null ? null : $near($this->mb()) || $near($this->mib());
    }

    /** @return list<array{name: string, limit_bytes: int|float, lost_bytes: int|float}> that the drive is over */
    public function barriers(): array
    {
        $limits = [...($this->cylinders > self::CYLINDERS ? [
            'cylinders_1024' => array_product([self::CYLINDERS, $this->heads, $this->sectors, $this->bytesPerSector]),
        ] : []), ...self::BARRIERS];
        $over = [];
        foreach ($limits as $name => $limit) {
            $this->bytes() <= $limit || $over[] = ['name' => $name, 'limit_bytes' => $limit, 'lost_bytes' => $this->bytes() - $limit];
        }

        return $over;
    }

    /** @return array{type: int, bytes: int|float, lost_bytes: int|float}|null the largest that fits inside the drive on every axis */
    public function bestType(): ?array
    {
        $best = null;
        foreach ($this->types as $it) {
            $bytes = array_product([$it['cylinders'], $it['heads'], $it['sectors'], $this->bytesPerSector]);
            if ($it['cylinders'] <= $this->cylinders
                && $it['heads'] <= $this->heads
                && $it['sectors'] <= $this->sectors
                && ($best === null || $bytes > $best['bytes'])) {
                $best = ['type' => $it['type'], 'bytes' => $bytes, 'lost_bytes' => $this->bytes() - $bytes];
            }
        }

        return $best;
    }

    /** @return list<string> */
    public function reasons(): array
    {
        $agrees = $this->labelAgrees();
        $best = $this->bestType();

        return [
            "{$this->cylinders} cylinders, {$this->heads} heads and {$this->sectors} sectors are ".number_format($this->mb(), 1).' MB, or '
                .number_format($this->mib(), 1).' MiB',
            ...($agrees === null ? [] : ["the label says {$this->labelMb}: ".($agrees ? 'it agrees' : 'it does not agree with either')]),
            ...array_map(static fn (array $it): string => "beyond {$it['name']} ".number_format($it['lost_bytes'] / 1e6, 1).' MB are lost', $this->barriers()),
            ...($best === null ? [] : ["type {$best['type']} fits best and loses ".number_format($best['lost_bytes'] / 1e6, 1).' MB']),
        ];
    }
}
