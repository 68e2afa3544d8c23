<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Node;

/** Which medium, format and drive go together, for reading and for writing; common practice, no source, capacities of a track from memory. */
final readonly class Disk
{
    /** Unformatted bytes a track, by size, encoding and density. */
    private const TRACK = [
        '3.5' => ['mfm' => ['dd' => 6250, 'hd' => 12_500], 'fm' => ['sd' => 3125]],
        '5.25' => ['mfm' => ['dd' => 6250, 'hd' => 10_416], 'fm' => ['sd' => 3125]],
        '8' => ['mfm' => ['dd' => 10_416], 'fm' => ['sd' => 5208]],
    ];

    /** Tracks that a drive may be stepped beyond its own. */
    private const BEYOND = 2;

    /** A format of so many tracks was made for 48 to the inch. */
    private const FEW_TRACKS = 42;

    /** @param list<string> $reasons */
    private function __construct(public int|float $bytes, public ?Density $needs, public Goes $reads, public Goes $writes, public array $reasons)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('medium', 'format', 'drive', 'last_written_tracks');
        $medium = $node->at('medium')->only('size', 'density');
        $size = $medium->at('size')->enum(DiskSize::class);
        $density = $medium->at('density')->enum(Density::class);
        $format = DiskFormat::read($node->at('format'));
        $drive = $node->at('drive')->only('size', 'tracks', 'sides', 'density');
        $tracks = static fn (Node $it): int => in_array($it->integer(), [35, 40, 77, 80], true) ? $it->integer() : $it->refuse('must be 35, 40, 77 or 80');
        $last = $node->optional('last_written_tracks');

        return self::of(
            $size,
            $density,
            $format,
            $drive->at('size')->enum(DiskSize::class),
            $tracks($drive->at('tracks')),
            $drive->at('sides')->integer(1, 2),
            $drive->at('density')->enum(Density::class),
            $last === null ? null : $tracks($last),
        );
    }

    private static function of(
        DiskSize $size,
        Density $density,
        DiskFormat $format,
        DiskSize $driveSize,
        int $driveTracks,
        int $driveSides,
        Density $driveDensity,
        ?int $lastWritten,
    ): self {
        $reads = $writes = Goes::Yes;
        $reasons = [];
        $rule = static function (bool $holds, string $why, Goes $read = Goes::No, ?Goes $write = null) use (&$reads, &$writes, &$reasons): void {
            if ($holds) {
                $reads = $reads->worse($read);
                $writes = $writes->worse($write ?? $read);
                $reasons[] = $why;
            }
        };
        $needs = $format->zoned() ? null : self::needed($size, $format);
        $asked = $format->zoned() ? $driveDensity : $needs;
        $small = $size === DiskSize::Five;
        $rule($size !== $driveSize, "a {$size->value} inch disk does not go into a {$driveSize->value} inch drive");
        $rule($format->sides > $driveSides, 'the format has two sides, the drive one head');
        $rule($asked === null, 'no track of this size holds that many bytes');
        $rule($asked !== null && $asked->rank() > $driveDensity->rank(), "the format needs {$asked?->words()}, the drive does {$driveDensity->words()}");
        $rule($asked !== null && $asked->rank() > $density->rank(), "the format needs {$asked?->words()}, the disk is {$density->words()}");
        if ($density === Density::Hd && $asked !== null && $asked !== Density::Hd) {
            $rule($small, 'a high density disk of 5.25 inch wants twice the field: it does not hold less dense formats');
            $rule($size === DiskSize::Three, 'a high density disk for a less dense format: cover its hole, and do not trust it for long', Goes::WithCare);
        }
        $rule($format->tracks > $driveTracks + self::BEYOND, "the format has {$format->tracks} tracks, the drive {$driveTracks}");
        $few = $small && $format->tracks <= self::FEW_TRACKS;
        $rule(
            $few && $driveTracks === 80,
            'an 80-track drive writes narrow tracks into wide ones: a 40-track drive may not read them back',
            Goes::Yes,
            Goes::WithCare,
        );
        $rule($few && $driveTracks === 77, 'a 77-track drive steps 100 tracks to the inch and does not find those of 48');
        $rule(
            $small && $lastWritten === 80 && in_array($driveTracks, [35, 40], true),
            'last written in an 80-track drive: its narrow tracks read badly here, and what is written now leaves their edges; erase it in bulk first',
            Goes::WithCare,
        );

        return new self($format->bytes(), $needs, $reads, $writes, $reasons === [] ? ['medium, format and drive go together'] : $reasons);
    }

    private static function needed(DiskSize $size, DiskFormat $format): ?Density
    {
        foreach (self::TRACK[$size->value][$format->encoding->value] as $density => $holds) {
            if ($format->trackBytes() <= $holds) {
                return Density::from($density);
            }
        }

        return null;
    }
}
