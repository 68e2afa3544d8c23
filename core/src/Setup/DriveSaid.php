<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\Name;
use Ash\Document\Field\Positive;
use Ash\Document\Field\Whole;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Logbook\EntryData;
use Ash\Logbook\LineSaid;
use Ash\Quantity\Notation;

/** A fixed disk as its label or a table of types describes it; of each drive the last word counts. */
final readonly class DriveSaid implements EntryData
{
    public const KIND = 'drive';
    public const LINE = 'drive disc 1: 615/4/17 sold as 20 MB';
    private const MOST = 65_535;

    /** @param ?float $labelMb as it is sold, in MB, whichever of the two is meant */
    public function __construct(
        #[Name] public string $name,
        #[Whole(1, self::MOST)] public int $cylinders,
        #[Whole(1, self::MOST)] public int $heads,
        #[Whole(1, self::MOST)] public int $sectors,
        #[Whole(1, self::MOST)] public ?int $bytesPerSector = null,
        #[Positive] public ?float $labelMb = null,
    ) {
    }

    /** "disc 1: 615/4/17 sold as 20 MB": cylinders, heads, sectors a track. */
    public static function said(string $body, string $line): LineSaid
    {
        $pattern = '/^(.{1,120}?)\s*:\s*(\d{1,6})\s*[\/x*]\s*(\d{1,6})\s*[\/x*]\s*(\d{1,6})(?:[,\s]+(?:sold\s+as\s+)?(\d{1,7}(?:[.,]\d{1,3})?)\s*MB)?$/isu';
        if (preg_match($pattern, $body, $m) !== 1) {
            return LineSaid::observation($line);
        }

        return new LineSaid(self::KIND, '', (object) ([
            'name' => trim($m[1]), 'cylinders' => (int) $m[2], 'heads' => (int) $m[3], 'sectors' => (int) $m[4],
        ] + (isset($m[5]) ? ['label_mb' => (float) strtr($m[5], ',', '.')] : [])));
    }

    /** @param list<DriveType> $types the table of the machine it is in */
    public function geometry(array $types = []): Geometry
    {
        $it = Shape::of(self::class)->write($this);
        unset($it['name']);

        return Geometry::read(Node::of((object) [...$it, 'types' => array_map(static fn (DriveType $type): object => (object) (array) $type, $types)]));
    }

    public function sentence(string $text): string
    {
        return "Drive {$this->name}: {$this->cylinders} cylinders, {$this->heads} heads, {$this->sectors} sectors"
            .($this->labelMb === null ? '' : ', sold as '.Notation::plain($this->labelMb, 6).' MB');
    }
}
