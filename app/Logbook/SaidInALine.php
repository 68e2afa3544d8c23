<?php

declare(strict_types=1);

namespace App\Logbook;

use App\People\Person;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\Entries\Arrived;
use Ash\Logbook\Entries\FixUndone;
use Ash\Logbook\Entries\OpenItemNamed;
use Ash\Logbook\EntryData;
use Ash\Logbook\EntryDraft;
use Ash\Logbook\LineFacts;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Uid\Ulid;

/** A line that is said on a job: what becomes of it, and its way into the record. What the record cannot place is kept as an observation. */
final readonly class SaidInALine
{
    private const MOST_COMPLETIONS = 12;

    /** @return array{EntryDraft, Entry, bool} the entry, and whether it is new */
    public static function taken(string $job, Node $body, Person $who): array
    {
        $hall = House::here()->hall;
        $draft = $hall->draft($body);
        try {
            return [$draft, ...Append::to($job, $draft, $who)];
        } catch (InvalidDocument $problem) {
            if (!$body->has('line') || !self::placeless($draft, $problem)) {
                throw $problem;
            }
            $draft = $draft->asObservation($body, $hall->kinds, $problem->plainly());

            return [$draft, ...Append::to($job, $draft, $who)];
        }
    }

    public static function previewed(LineBody $body, Person $who): LinePreview
    {
        $hall = House::here()->hall;
        $job = $body->job === null ? null : Job::query()->findOrFail($body->job);
        $profile = $job?->profile();
        $names = $job === null ? [] : array_merge(...array_map(static fn (Room $room): array => $room->names($job), House::here()->rooms));
        $said = [];
        $draft = $hall->draft(Node::of((object) ['id' => (string) new Ulid(), 'at' => now()->format(Cards::EXACT), 'line' => $body->line]));
        $doubt = $draft->doubt;
        if ($job !== null && $profile !== null) {
            // What the record would make of it, by the same door; nothing of it stays.
            DB::beginTransaction();
            try {
                $draft->also === null || Append::to($job->id, $draft, $who);
                for ($it = $draft; $it !== null; $it = $it->also) {
                    $said[] = $hall->kinds->sentence($it->kind->name, $it->text, self::completed(new Taking($job, $profile, $who, $it, only: true)));
                }
            } catch (InvalidDocument $problem) {
                $doubt ??= $problem->plainly();
            } finally {
                DB::rollBack();
            }
        }
        $said !== [] || $said[] = $hall->kinds->sentence($draft->kind->name, $draft->text, self::named($draft->data, $draft->kind->name));
        $goesOn = array_slice(array_values(array_unique($hall->lines->completions($body->line, new LineFacts($profile, $names)))), 0, self::MOST_COMPLETIONS);

        return new LinePreview($draft->kind->name, $draft->kind->words, implode('; ', $said), $draft->minutes, $doubt, $goesOn);
    }

    private static function completed(Taking $at): EntryData
    {
        $data = self::named($at->draft->data, $at->draft->kind->name);
        if ($data !== $at->draft->data) {
            return $data;
        }
        foreach (House::here()->rooms as $room) {
            $data = $room->complete($data, $at);
        }

        return $data;
    }

    /** Which open item is meant is found when the line is kept; until then its words stand for it. */
    private static function named(EntryData $data, string $kind): EntryData
    {
        return match (true) {
            !$data instanceof OpenItemNamed => $data,
            $kind === FixUndone::KIND => new FixUndone('', $data->match),
            default => new Arrived('', $data->match),
        };
    }

    /** Something that was said of the board, which the record has no place for; not a question back, nor what only the record can say. */
    private static function placeless(EntryDraft $draft, InvalidDocument $problem): bool
    {
        return !$problem->forbidden && str_starts_with($problem->pointer, '/data/') && $problem->pointer !== '/data/sure'
            && !$draft->data instanceof OpenItemNamed
            && $draft->corrects === null && $draft->kind->attack !== null;
    }
}
