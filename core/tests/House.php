<?php

declare(strict_types=1);

namespace Ash\Tests;

use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Logbook\EntryData;
use Ash\Logbook\EntryDraft;
use Ash\Logbook\Profile;
use Ash\Rooms;

/** The house as the tests speak to it: arrays in, typed values out. */
final readonly class House
{
    private const PROFILE = [
        'format' => Profile::FORMAT,
        'slug' => 'x',
        'name' => 'X',
        'kind' => 'x',
        'boards' => [['key' => 'main', 'name' => 'Main']],
        'rails' => [],
    ];

    /** @param array<array-key, mixed> $value */
    public static function node(array $value): Node
    {
        return Node::parse(json_encode($value === [] ? new \stdClass() : $value, JSON_THROW_ON_ERROR));
    }

    /** @param array<string, mixed> $data as it is handed in */
    public static function entry(string $kind, array $data): EntryData
    {
        $kinds = Rooms::hall()->kinds;

        return $kinds->read($kinds->all[$kind], self::node($data));
    }

    /**
     * @param array<string, mixed> $data as it is handed in
     *
     * @return array<string, mixed> as it is kept
     */
    public static function kept(string $kind, array $data): array
    {
        return self::plain(self::entry($kind, $data));
    }

    /** @return array<string, mixed> */
    public static function plain(EntryData $data): array
    {
        /** @var array<string, mixed> */
        return json_decode(json_encode(Shape::of($data::class)->write($data), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true);
    }

    /** @param array<string, mixed> $data as it was stored */
    public static function says(string $kind, string $text, array $data): string
    {
        $kinds = Rooms::hall()->kinds;

        return $kinds->sentence($kind, $text, $kinds->stored($kind, json_encode((object) $data, JSON_THROW_ON_ERROR)));
    }

    /** @param array<string, mixed> $entry */
    public static function draft(array $entry): EntryDraft
    {
        return Rooms::hall()->draft(self::node($entry));
    }

    /** @param array<string, mixed> $change */
    public static function profile(array $change = []): Profile
    {
        return Rooms::hall()->profile(self::node([...self::PROFILE, ...$change]));
    }
}
