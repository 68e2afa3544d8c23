<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\EntryData;
use Ash\Logbook\Stage;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;

/**
 * One entry of the record. Never changed and never deleted: the database refuses both.
 *
 * @property string          $id          ULID made by the client
 * @property string          $job_id
 * @property ?string         $board_id
 * @property string          $kind        its name, as a room brings it
 * @property Stage           $stage
 * @property CarbonImmutable $at
 * @property ?string         $person_id
 * @property string          $author
 * @property int             $minutes
 * @property string          $text
 * @property EntryData       $data
 * @property ?string         $corrects_id
 * @property string          $fingerprint SHA-256 of what was handed in
 * @property CarbonImmutable $received_at
 */
final class Entry extends ClientKeyed
{
    protected static function booted(): void
    {
        self::created(static fn (self $entry) => StandingOfJob::here()->took($entry));
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'stage' => Stage::class,
            'at' => 'immutable_datetime',
            'received_at' => 'immutable_datetime',
            'data' => EntryDataCast::class,
        ];
    }

    /**
     * Entries of these kinds that stand: no later one corrects or withdraws them.
     *
     * @return Builder<self>
     */
    public static function standing(string ...$kinds): Builder
    {
        return self::query()->whereIn('kind', $kinds)
            ->whereNotExists(static fn ($query) => $query->from('entries as later')->whereColumn('later.corrects_id', 'entries.id'));
    }

    /** Its data as they stand in the database, with the number of their form; what was written before there were numbers may be an empty list. */
    public function stored(): \stdClass
    {
        $data = json_decode((string) $this->getRawOriginal('data'));

        return $data instanceof \stdClass ? $data : new \stdClass();
    }

    /** Who wrote it; what came in by import is never taken for a person of this workshop. */
    public static function writtenBy(string $author, bool $here): string
    {
        return $here ? $author : "imported, as it was written by {$author}";
    }

    public function by(): string
    {
        return self::writtenBy($this->author, $this->person_id !== null);
    }

    /** In words, the same on screen, on paper and in exports. */
    public function says(bool $withText = true): string
    {
        return House::here()->hall->kinds->sentence($this->kind, $withText ? $this->text : '', $this->data);
    }

    /**
     * Its data, when they are of this type; null for another kind's and for what cannot be read.
     *
     * @template T of EntryData
     *
     * @param class-string<T> $class
     *
     * @return T|null
     */
    public function as(string $class): ?EntryData
    {
        $data = $this->data;

        return $data instanceof $class ? $data : null;
    }
}
