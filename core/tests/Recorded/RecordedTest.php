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
    public const FILES = ['answers', 'inside', 'rooms', 'record'];

    /** @return iterable<string, array{list<array{string, string, mixed, \stdClass}>}> by room and verb */
    public static function answers(): iterable
    {
        $all = [];
        foreach (array_merge(...array_map(self::lines(...), self::FILES)) as $line) {
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
        $verbs = [...$verbs, ...array_map(static fn (string $verb): string => "inside {$verb}", array_keys(Inside::verbs()))];
        self::assertEqualsCanonicalizing(array_diff($verbs, ['memory time']), array_keys(iterator_to_array(self::answers())));
    }

    /** @param list<array{string, string, mixed, \stdClass}> $answers */
    #[DataProvider('answers')]
    public function test_it_answers_as_it_did(array $answers): void
    {
        self::assertGreaterThan(4, count($answers));
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

    /**
     * The edges: documents of the files above with one place changed to just below, at and just above where the answer's words change,
     * to the longest text that is taken and one more, left out, emptied, with an item twice, or of another type.
     * Kept as [verb, line of the file, place, change, digest].
     */
    public function test_nothing_moved_at_the_edges(): void
    {
        $lines = file(__DIR__.'/edges.jsonl', \FILE_IGNORE_NEW_LINES) ?: [];
        self::assertGreaterThan(3000, count($lines));
        foreach ($lines as $line) {
            $edge = json_decode($line, false, 64, JSON_THROW_ON_ERROR);
            [$asked, $answered] = self::edge($edge);
            self::assertSame($edge[4], self::digest($answered), "{$edge[0]} was asked ".json_encode([$asked, $answered], JSON_THROW_ON_ERROR));
        }
    }

    /**
     * @param list<mixed> $edge
     *
     * @return array{mixed, \stdClass} what is asked and what is answered
     */
    public static function edge(array $edge): array
    {
        static $files = [];
        [$verb, $n, $place, $change] = $edge;
        $name = match (strtok($verb, ' ')) {
            'entry' => 'entries',
            'inside' => isset(InsideRecord::verbs()[substr($verb, 7)]) ? 'record' : 'inside',
            'isolation', 'setup', 'treatments' => 'rooms',
            default => 'answers',
        };
        $files[$name] ??= self::lines($name);
        $line = json_decode($files[$name][$n], false, 64, JSON_THROW_ON_ERROR);
        $asked = $line[$verb === 'entry' ? 0 : 2];
        $last = array_pop($place);
        $at = &$asked;
        foreach ($place as $step) {
            is_object($at) ? $at = &$at->{$step} : $at = &$at[$step];
        }
        $was = is_object($at) ? $at->{$last} ?? null : $at[$last] ?? null;
        $to = match (true) {
            isset($change->len) => str_pad($was === '' ? 'x' : (string) $was, $change->len, 'x'),
            ($change->out ?? null) === 'more' => 1,
            ($change->out ?? null) === 'none' => [],
            ($change->out ?? null) === 'twice' => [...$was, $was[0]],
            default => $change,
        };
        is_object($at) ? $at->{$last} = $to : $at[$last] = $to;
        if (($change->out ?? null) === 'less') {
            unset($at->{$last});
        }
        unset($at);

        return [$asked, $verb === 'entry' ? self::take($asked) : self::ask(...[...explode(' ', $verb), $asked])];
    }

    /** @return list<string> of a file and of those that go on with it: name-2.jsonl and so on */
    public static function lines(string $name): array
    {
        return array_merge(...array_map(static fn (string $part): array => file($part) ?: [], self::parts($name)));
    }

    /** @return list<string> */
    public static function parts(string $name): array
    {
        return [__DIR__."/{$name}.jsonl", ...glob(__DIR__."/{$name}-*.jsonl") ?: []];
    }

    public static function digest(\stdClass $answered): string
    {
        return substr(hash('xxh128', json_encode(self::plain($answered), JSON_THROW_ON_ERROR)), 0, 10);
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
        if ($room === 'inside') {
            try {
                $answer = Inside::verbs()[$verb](Node::parse(json_encode($asked, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)));
            } catch (InvalidDocument $fault) {
                return (object) ['refused' => $fault->pointer, 'says' => $fault->detail];
            }
            $flags = JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_INVALID_UTF8_SUBSTITUTE;

            return (object) ['answer' => json_decode(json_encode($answer, $flags), false, 64, JSON_THROW_ON_ERROR)];
        }
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
