<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Facts\OpenThing;
use Carbon\CarbonImmutable;

/**
 * A hazard, a waiting or another thing that an entry opened and no entry has ended. Follows from the record.
 *
 * @property string           $id       the entry that opened it
 * @property string           $job_id
 * @property ?string          $board_id
 * @property string           $kind     hazard, waiting, or a word of the room that opened it
 * @property string           $text
 * @property ?string          $asked
 * @property CarbonImmutable  $since
 * @property ?CarbonImmutable $due
 * @property bool             $open
 * @property ?string          $ended_by
 * @property ?string          $occupies instrument, vessel or place that it takes up
 * @property bool             $hands    somebody must be there
 * @property ?string          $ready    where what it waits for lies now
 */
final class OpenItem extends ClientKeyed
{
    private const TIME = 'Y-m-d H:i:s';
    private const LONGEST = 400;

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['since' => 'immutable_datetime', 'due' => 'immutable_datetime', 'open' => 'boolean'];
    }

    public static function begin(
        Entry $entry,
        string $kind,
        string $text,
        ?string $asked = null,
        ?\DateTimeInterface $since = null,
        ?\DateTimeInterface $due = null,
        ?string $occupies = null,
        bool $hands = false,
    ): void {
        self::query()->create([
            'id' => $entry->id,
            'job_id' => $entry->job_id,
            'board_id' => $entry->board_id ?? Job::query()->findOrFail($entry->job_id)->board_id,
            'kind' => $kind,
            'text' => mb_substr($text, 0, self::LONGEST),
            'asked' => $asked,
            'since' => self::utc($since ?? $entry->at),
            'open' => true,
            'due' => $due === null ? null : self::utc($due),
            'occupies' => $occupies,
            'hands' => $hands,
        ]);
    }

    public static function end(string $id, Entry $by): void
    {
        self::query()->where('id', $id)->update(['open' => false, 'ended_by' => $by->id]);
    }

    /** What this entry ended is open again. */
    public static function reopen(Entry $by): void
    {
        self::query()->where('ended_by', $by->id)->update(['open' => true, 'ended_by' => null]);
    }

    public function fact(): OpenThing
    {
        return new OpenThing(
            kind: $this->kind,
            text: $this->text,
            since: $this->since,
            asked: $this->asked,
            due: $this->due,
            ready: $this->ready,
        );
    }

    private static function utc(\DateTimeInterface $time): string
    {
        return \DateTimeImmutable::createFromInterface($time)->setTimezone(new \DateTimeZone('UTC'))->format(self::TIME);
    }
}
