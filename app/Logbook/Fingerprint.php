<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\Shape;
use Ash\Logbook\Entries\OpenItemNamed;
use Ash\Logbook\EntryDraft;
use Ash\Logbook\LineRule;

/** By which an entry that is sent again is known: a hash of what was received. */
final readonly class Fingerprint
{
    public static function of(string $jobId, EntryDraft $draft): string
    {
        return hash('sha256', "{$jobId}\n{$draft->received}");
    }

    public static function same(Entry $known, string $jobId, EntryDraft $draft): bool
    {
        return $known->fingerprint === self::of($jobId, $draft) || $known->fingerprint === self::before($known, $jobId, $draft);
    }

    /**
     * As it was made until entries were typed: of the draft as it had been read. An entry that was stored then and is sent again now,
     * because its answer never arrived, is still the same one. What a line says to be read beside the record came later: null. Delete it
     * when no such entry can be under way any more.
     */
    private static function before(Entry $known, string $jobId, EntryDraft $draft): ?string
    {
        if ($draft->data instanceof LineRule) {
            return null;
        }
        $named = $draft->data instanceof OpenItemNamed ? $draft->data->match : null;

        return hash('sha256', json_encode([$jobId, [
            'id' => $draft->id,
            'kind' => $draft->kind->name,
            'at' => $draft->at,
            'minutes' => $draft->minutes,
            'stage' => $draft->stage,
            'board' => $draft->board,
            'text' => $draft->text,
            'data' => $named === null ? self::data($known, $draft) : [],
            'corrects' => $draft->corrects,
            'match' => $named,
        ]], JSON_THROW_ON_ERROR));
    }

    /** @return array<string, mixed> fields in the order in which they were kept then, which of a capacitor was the order they came in */
    private static function data(Entry $known, EntryDraft $draft): array
    {
        $data = Shape::of($draft->data::class)->write($draft->data);
        $kept = json_decode((string) $known->getRawOriginal('data'), true);

        return $draft->kind->name === 'capacitor' && is_array($kept) ? [...array_intersect_key($kept, $data), ...$data] : $data;
    }
}
