<?php

declare(strict_types=1);

namespace Ash\Tests\Recorded;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Rooms;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * What bin/ash answered before the house was turned round, to documents that were made by changing one to three places of those in the
 * other tests: it answers the same today. This shows that nothing changed unseen, not that it is right; that is for the other tests,
 * which have their figures from outside. Who changes a rule on purpose writes these lines anew with record.php and reads the difference.
 */
final class RecordedTest extends TestCase
{
    /** @return iterable<string, array{list<array{string, string, mixed, \stdClass}>}> by room and verb */
    public static function answers(): iterable
    {
        $all = [];
        foreach (file(__DIR__.'/answers.jsonl', \FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            $it = json_decode($line, false, 64, JSON_THROW_ON_ERROR);
            $all["{$it[0]} {$it[1]}"][] = $it;
        }
        foreach ($all as $name => $of) {
            yield $name => [$of];
        }
    }

    public function test_every_verb_has_answers(): void
    {
        $verbs = [];
        foreach (Rooms::all() as $room) {
            $verbs = [...$verbs, ...array_map(static fn (string $verb): string => "{$room->name()} {$verb}", array_keys($room->verbs()))];
        }
        self::assertEqualsCanonicalizing(array_diff($verbs, ['memory time']), array_keys(iterator_to_array(self::answers())));
    }

    /** @param list<array{string, string, mixed, \stdClass}> $answers */
    #[DataProvider('answers')]
    public function test_it_answers_as_it_did(array $answers): void
    {
        self::assertGreaterThan(20, count($answers));
        foreach ($answers as [$room, $verb, $asked, $answered]) {
            self::assertSame(self::plain($answered), self::plain(self::ask($room, $verb, $asked)), json_encode($asked, JSON_THROW_ON_ERROR));
        }
    }

    public function test_entries_are_taken_or_refused_as_they_were(): void
    {
        $lines = file(__DIR__.'/entries.jsonl', \FILE_IGNORE_NEW_LINES) ?: [];
        self::assertGreaterThan(1000, count($lines));
        foreach ($lines as $line) {
            [$given, $answered] = json_decode($line, false, 64, JSON_THROW_ON_ERROR);
            self::assertSame(self::plain($answered), self::plain(self::take($given)), $line);
        }
    }

    public static function take(\stdClass $given): \stdClass
    {
        $hall = Rooms::hall();
        $whole = (object) [...get_object_vars($given), 'id' => '01HZY3G0000000000000000001', 'at' => '2026-03-01T09:00:00Z'];
        try {
            $draft = $hall->draft(Node::parse(json_encode($whole, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)));
        } catch (InvalidDocument $fault) {
            return (object) ['refused' => $fault->pointer, 'says' => $fault->detail];
        }
        $data = json_encode((object) Shape::of($draft->data::class)->write($draft->data), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);

        return (object) ['taken' => (object) [
            'kind' => $draft->kind->name,
            'text' => $draft->text,
            'minutes' => $draft->minutes,
            'data' => json_decode($data, false, 64, JSON_THROW_ON_ERROR),
            'says' => $hall->kinds->sentence($draft->kind->name, $draft->text, $draft->data),
        ]];
    }

    public static function ask(string $room, string $verb, mixed $asked): \stdClass
    {
        foreach (Rooms::all() as $it) {
            if ($it->name() === $room) {
                try {
                    $document = json_encode($asked, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);

                    return (object) ['answer' => json_decode($it->verbs()[$verb]->answer($document), false, 64, JSON_THROW_ON_ERROR)];
                } catch (InvalidDocument $fault) {
                    return (object) ['refused' => $fault->pointer, 'says' => $fault->detail];
                }
            }
        }
        throw new \LogicException("there is no room {$room}");
    }

    /** Numbers to twelve figures: the last ones are the machine's. */
    private static function plain(mixed $value): mixed
    {
        return match (true) {
            is_float($value), is_int($value) => sprintf('%.12g', $value),
            $value instanceof \stdClass => ['{}' => self::sorted(array_map(self::plain(...), get_object_vars($value)))],
            is_array($value) => array_map(self::plain(...), $value),
            default => $value,
        };
    }

    /**
     * @param array<string, mixed> $members
     *
     * @return array<string, mixed>
     */
    private static function sorted(array $members): array
    {
        ksort($members);

        return $members;
    }
}
