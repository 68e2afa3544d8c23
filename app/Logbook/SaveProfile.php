<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Conflict;
use App\Http\Once;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\Lesson;
use Ash\Logbook\Profile;
use Illuminate\Support\Facades\DB;

/** A profile comes in: from a file or from the screen, as a new machine or over an old one. The document is kept to the letter. */
final readonly class SaveProfile
{
    /** Revisions of one job that are taken back at once. */
    private const LESSONS = 500;

    /** A description as it is kept. */
    public static function text(\stdClass $document): string
    {
        $flags = JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION;

        return json_encode($document, $flags)."\n";
    }

    /** @param ?string $id of the specimen, when it is known already */
    public static function asNew(string $json, string $author, ?string $id = null): Machine
    {
        $profile = self::read($json);

        return Once::made(static function () use ($profile, $json): ?Machine {
            $known = Kind::query()->where('slug', $profile->slug)->first();
            $machine = $known === null ? null : Machine::query()->where('kind_id', $known->id)->orderBy('created_at')->orderBy('id')->first();

            return $known === null || ($machine !== null && $known->revision === 1 && $known->profile === $json)
                ? $machine
                : throw InvalidDocument::at('/slug', "there is a machine \"{$profile->slug}\" already: change its profile, or give this one another slug");
        }, static function () use ($profile, $json, $author, $id): Machine {
            $kind = self::kind($profile, $json, $author);
            $machine = self::specimen($kind, $profile, $profile->name, $profile->slug, $id);

            return $machine->setRelation('described', $kind);
        })[0];
    }

    /** A kind that nobody has described before. */
    public static function kind(Profile $profile, string $json, string $author, bool $ofBoard = false): Kind
    {
        $kind = Kind::query()->create([
            'slug' => $profile->slug, 'name' => $profile->name, 'words' => $profile->kind, 'profile' => $json, 'revision' => 1, 'of_board' => $ofBoard,
        ]);
        self::keep($kind, $author, null);

        return $kind;
    }

    /** A machine of a kind, with the boards that usually sit in it. */
    public static function specimen(Kind $kind, Profile $profile, string $name, string $slug, ?string $id = null): Machine
    {
        $machine = Machine::query()->forceCreate([...($id === null ? [] : ['id' => $id]), 'slug' => $slug, 'name' => $name, 'kind_id' => $kind->id]);
        self::boards($machine, $profile, Machine::query()->where('kind_id', $kind->id)->count() === 1);

        return $machine;
    }

    /** @param string|null $revision what the editor saw, so that two people do not overwrite each other */
    public static function over(Kind $kind, string $json, ?string $revision, string $author): void
    {
        self::change($kind, $json, $revision, $author, null);
    }

    /** What a job has taught of a kind. */
    public static function taught(Kind $kind, string $json, string $author, Job $job): void
    {
        self::change($kind, $json, null, $author, $job);
    }

    /** By a lead: with what another description of the same kind knew, or without what went to a kind of board. */
    public static function reworked(Kind $kind, string $json, string $author): void
    {
        self::change($kind, $json, null, $author, null);
    }

    /** Without what a job has taught, its last lesson first; what others have said since stays. */
    public static function without(Kind $kind, Job $job, string $author): void
    {
        $lessons = DB::table('kind_profiles')
            ->where('kind_id', $kind->id)
            ->where('job_id', $job->id)
            ->orderByDesc('revision')
            ->limit(self::LESSONS)
            ->pluck('revision')->all();
        $lessons !== [] || throw InvalidDocument::at('/job', 'has taught nothing of this kind');
        $document = static fn (int $revision): \stdClass => Node::parse((new Row(
            DB::table('kind_profiles')->where('kind_id', $kind->id)->where('revision', $revision)->first() ?? abort(404),
        ))->string('profile'))->object();
        $now = Node::parse($kind->profile)->object();
        foreach ($lessons as $revision) {
            $revision = is_numeric($revision) ? (int) $revision : 0;
            $now = Lesson::undone($now, $document($revision - 1), $document($revision));
        }
        $json = self::text($now);
        $json !== $kind->profile || throw InvalidDocument::at('/job', 'what it taught has been taken back or changed already');
        self::change($kind, $json, null, "{$author}, taking back what {$job->label()} taught", null);
    }

    private static function change(Kind $kind, string $json, ?string $revision, string $author, ?Job $job): void
    {
        $profile = self::read($json);
        Once::transaction(static function () use ($kind, $profile, $json, $revision, $author, $job): void {
            $current = Kind::query()->lockForUpdate()->findOrFail($kind->id);
            if ($revision !== null && trim($revision, '"') !== (string) $current->revision) {
                throw Conflict::at('', 'someone else changed this profile meanwhile: load it again');
            }
            if ($profile->slug !== $current->slug) {
                throw InvalidDocument::at('/slug', "must stay \"{$current->slug}\": records and exports refer to it");
            }
            $namesake = $profile->name === $current->name ? null : Kind::query()->whereNull('merged_into')->where('name', $profile->name)->first();
            $namesake === null || throw InvalidDocument::at(
                '/name',
                "there is a kind \"{$profile->name}\" already: are they one? A lead merges them on the page of that kind",
            );
            $machines = Machine::query()->where('kind_id', $current->id)->orderBy('created_at')->orderBy('id')->get();
            foreach ($machines as $i => $machine) {
                // A specimen that bears its kind's name goes on bearing it.
                $machine->name === $current->name && $machine->update(['name' => $profile->name]);
                self::boards($machine, $profile, $i === 0);
            }
            $current->update(['name' => $profile->name, 'words' => $profile->kind, 'profile' => $json, 'revision' => $current->revision + 1]);
            self::keep($current, $author, $job);
        });
        $kind->refresh();
    }

    private static function read(string $json): Profile
    {
        Schema::check($json, 'machine-profile');

        return House::here()->hall->profile(Node::parse($json));
    }

    private static function keep(Kind $kind, string $author, ?Job $job): void
    {
        DB::table('kind_profiles')->insert([
            'kind_id' => $kind->id,
            'revision' => $kind->revision,
            'profile' => $kind->profile,
            'author' => $author,
            'job_id' => $job?->id,
            'created_at' => now(),
        ]);
    }

    /**
     * Boards are added and renamed; one that has left the profile keeps its record.
     *
     * @param bool $first the machine that the description was written of: serials in it are its own
     */
    private static function boards(Machine $machine, Profile $profile, bool $first): void
    {
        if ($machine->bare) {
            return;
        }
        // A place whose board was taken out stays empty until one is fitted.
        $emptied = BoardMoves::emptied($machine);
        foreach ($profile->boards as $board) {
            if (in_array($board->key, $emptied, true)) {
                continue;
            }
            Board::query()->updateOrCreate(
                ['machine_id' => $machine->id, 'slot' => $board->key],
                ['name' => $board->name, ...($first ? ['serial' => $board->serial] : [])],
            );
        }
    }
}
