<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Conflict;
use App\Http\Once;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\Profile;
use Illuminate\Support\Facades\DB;

/** A profile comes in: from a file or from the screen, as a new machine or over an old one. The document is kept to the letter. */
final readonly class SaveProfile
{
    /** @param ?string $id of the specimen, when it is known already */
    public static function asNew(string $json, string $author, ?string $id = null): Machine
    {
        $profile = self::read($json);

        return Once::made(static function () use ($profile, $json): ?Machine {
            $known = Machine::query()->where('slug', $profile->slug)->first();

            return $known === null || ($known->revision === 1 && $known->profile === $json)
                ? $known
                : throw InvalidDocument::at('/slug', "there is a machine \"{$profile->slug}\" already: change its profile, or give this one another slug");
        }, static function () use ($profile, $json, $author, $id): Machine {
            $machine = Machine::query()->forceCreate([
                ...($id === null ? [] : ['id' => $id]),
                'slug' => $profile->slug,
                'name' => $profile->name,
                'kind' => $profile->kind,
                'profile' => $json,
                'revision' => 1,
            ]);
            self::keep($machine, $author);
            self::boards($machine, $profile);

            return $machine;
        })[0];
    }

    /** @param string|null $revision what the editor saw, so that two people do not overwrite each other */
    public static function over(Machine $machine, string $json, ?string $revision, string $author): void
    {
        $profile = self::read($json);
        Once::transaction(static function () use ($machine, $profile, $json, $revision, $author): void {
            $current = Machine::query()->lockForUpdate()->findOrFail($machine->id);
            if ($revision !== null && trim($revision, '"') !== (string) $current->revision) {
                throw Conflict::at('', 'someone else changed this profile meanwhile: load it again');
            }
            if ($profile->slug !== $current->slug) {
                throw InvalidDocument::at('/slug', "must stay \"{$current->slug}\": records and exports refer to it");
            }
            $current->update(['name' => $profile->name, 'kind' => $profile->kind, 'profile' => $json, 'revision' => $current->revision + 1]);
            self::keep($current, $author);
            self::boards($current, $profile);
        });
    }

    private static function read(string $json): Profile
    {
        Schema::check($json, 'machine-profile');

        return House::here()->hall->profile(Node::parse($json));
    }

    private static function keep(Machine $machine, string $author): void
    {
        DB::table('machine_profiles')->insert([
            'machine_id' => $machine->id,
            'revision' => $machine->revision,
            'profile' => $machine->profile,
            'author' => $author,
            'created_at' => now(),
        ]);
    }

    /** Boards are added and renamed; one that has left the profile keeps its record. */
    private static function boards(Machine $machine, Profile $profile): void
    {
        foreach ($profile->boards as $board) {
            Board::query()->updateOrCreate(['machine_id' => $machine->id, 'slot' => $board->key], ['name' => $board->name, 'serial' => $board->serial]);
        }
    }
}
