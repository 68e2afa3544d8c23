<?php

declare(strict_types=1);

namespace Ash\Tests\Recorded;

use Ash\Rooms;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A field that nobody knows is refused wherever it stands, so that a misspelled one is never left out in silence. */
final class UnknownFieldsTest extends TestCase
{
    /** @return iterable<string, array{string, string, list<array{\stdClass, string}>}> documents that were answered, of each place one */
    public static function documents(): iterable
    {
        $all = $known = [];
        foreach (['answers', 'inside', 'rooms'] as $file) {
            foreach (file(__DIR__."/{$file}.jsonl") ?: [] as $line) {
                [$room, $verb, $asked, $answered] = json_decode($line, false, 64, JSON_THROW_ON_ERROR);
                foreach ($room !== 'inside' && isset($answered->answer) ? self::places($asked, '') : [] as $place => $_) {
                    $kind = "{$room} {$verb} ".preg_replace('/\/\d+/', '/*', $place);
                    isset($known[$kind]) || $all["{$room} {$verb}"][] = [$asked, $place];
                    $known[$kind] = true;
                }
            }
        }
        foreach ($all as $name => $of) {
            [$room, $verb] = explode(' ', $name, 2);
            yield $name => [$room, $verb, $of];
        }
    }

    /** @return array<string, \stdClass> the documents in a document, by their place */
    private static function places(mixed $value, string $at): array
    {
        $found = $value instanceof \stdClass ? [$at => $value] : [];
        foreach ($value instanceof \stdClass || is_array($value) ? (array) $value : [] as $key => $it) {
            $found += self::places($it, "{$at}/{$key}");
        }

        return $found;
    }

    /** @param list<array{\stdClass, string}> $documents */
    #[DataProvider('documents')]
    public function test_a_field_that_nobody_knows_is_refused(string $room, string $verb, array $documents): void
    {
        foreach ($documents as [$asked, $place]) {
            $copy = json_decode(json_encode($asked, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), false, 64, JSON_THROW_ON_ERROR);
            self::places($copy, '')[$place]->misspelled = 1;
            $said = RecordedTest::ask($room, $verb, $copy);
            self::assertTrue(isset($said->refused), "{$place}: ".json_encode($copy, JSON_THROW_ON_ERROR));
        }
    }

    public function test_every_verb_is_among_them(): void
    {
        $verbs = array_merge(...array_map(static fn ($room): array => array_map(
            static fn (string $verb): string => "{$room->name()} {$verb}", array_keys($room->verbs()),
        ), Rooms::all()));
        self::assertEqualsCanonicalizing(array_diff($verbs, ['memory time']), array_keys(iterator_to_array(self::documents())));
    }
}
