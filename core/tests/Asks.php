<?php

declare(strict_types=1);

namespace Ash\Tests;

use Ash\Cli\Verbs;
use Ash\Document\InvalidDocument;

/** Asks a room as bin/ash does: JSON in, JSON out. */
trait Asks
{
    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private static function put(Verbs $room, string $verb, array $document): array
    {
        $answer = json_decode($room->verbs()[$verb]->answer(json_encode($document, JSON_THROW_ON_ERROR)), true, flags: JSON_THROW_ON_ERROR);

        return is_array($answer) ? $answer : throw new \LogicException();
    }

    /** @param array<string, mixed> $document */
    private static function assertRefusedAt(string $pointer, Verbs $room, string $verb, array $document): void
    {
        try {
            self::put($room, $verb, $document);
            self::fail('was taken');
        } catch (InvalidDocument $fault) {
            self::assertSame($pointer, $fault->pointer, $fault->detail);
        }
    }
}
