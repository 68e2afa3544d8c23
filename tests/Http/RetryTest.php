<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Entry;
use App\Logbook\Fingerprint;
use App\Logbook\House;
use Ash\Document\Node;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * Entries that were stored before data carried the number of their form, with the fingerprints of that day as they stood in the database.
 * What was sent then and is sent again now, because its answer never arrived, is the same entry.
 */
final class RetryTest extends TestCase
{
    /** @return iterable<string, array{string, \stdClass}> the job it was sent to, and what was sent and stored */
    public static function stored(): iterable
    {
        $all = json_decode((string) file_get_contents(__DIR__.'/entries-before-form-1.json'), false, 64, JSON_THROW_ON_ERROR);
        foreach ($all->entries as $it) {
            yield $it->body->id.' '.($it->body->kind ?? $it->body->line) => [$all->job, $it];
        }
    }

    private static function entry(\stdClass $it): Entry
    {
        $entry = new Entry();
        $entry->setRawAttributes(['fingerprint' => $it->fingerprint, 'data' => json_encode($it->data, JSON_THROW_ON_ERROR)], true);

        return $entry;
    }

    #[DataProvider('stored')]
    public function test_it_is_known_again(string $job, \stdClass $it): void
    {
        $draft = House::here()->hall->draft(Node::of($it->body));
        self::assertTrue(Fingerprint::same(self::entry($it), $job, $draft));
        $other = clone $it->body;
        $other->at = '2026-11-27T09:59:59Z';
        self::assertFalse(Fingerprint::same(self::entry($it), $job, House::here()->hall->draft(Node::of($other))), 'another one is not');
    }
}
