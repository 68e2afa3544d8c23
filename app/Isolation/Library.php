<?php

declare(strict_types=1);

namespace App\Isolation;

use App\Logbook\Row;
use Ash\Document\Node;
use Ash\Isolation\LibrarySymptom;
use Illuminate\Support\Facades\DB;

/**
 * The symptoms that ship with it, and what leads made of them since. A symptom is read when it is asked for: the whole takes longer than
 * a page.
 */
final readonly class Library
{
    /** @return array<string, \stdClass> every document that stands, behind a NUL by its identifier, in the order of names() */
    public static function documents(): array
    {
        $standing = self::latest()->pluck('document', 'symptom');
        $documents = [];
        foreach (self::names() as [$id]) {
            $text = $standing->get($id);
            $documents["\0{$id}"] = (is_string($text) ? Node::parse($text) : self::shipped()["\0{$id}"])->object();
        }

        return $documents;
    }

    /** @return list<array{string, string}> identifiers and names: those that ship in their order, then the shop's own by name */
    public static function names(): array
    {
        $names = array_map(static fn (Node $it): string => $it->at('name')->string(), self::shipped());
        foreach (self::latest()->orderBy('name')->get(['symptom', 'name']) as $it) {
            $row = new Row($it);
            $names["\0{$row->string('symptom')}"] = $row->string('name');
        }

        return array_map(static fn (string $id, string $name): array => [substr($id, 1), $name], array_keys($names), $names);
    }

    public static function symptom(string $id): ?LibrarySymptom
    {
        $node = self::document($id);

        return $node === null ? null : LibrarySymptom::read($node);
    }

    /** @param ?int $revision null: the one that stands; 0: what ships */
    public static function document(string $id, ?int $revision = null): ?Node
    {
        $query = DB::table('library_revisions')->where('symptom', $id)->orderByDesc('revision');
        $text = $revision === 0 ? null : $query->when($revision !== null, static fn ($q) => $q->where('revision', $revision))->limit(1)->value('document');

        return is_string($text) ? Node::parse($text) : ($revision === null || $revision === 0 ? self::shipped()["\0{$id}"] ?? null : null);
    }

    public static function revision(string $id): int
    {
        $it = DB::table('library_revisions')->where('symptom', $id)->max('revision');

        return is_numeric($it) ? (int) $it : 0;
    }

    /** @return \Illuminate\Database\Query\Builder the revision of each symptom that stands */
    public static function latest(): \Illuminate\Database\Query\Builder
    {
        return DB::table('library_revisions as r')->whereRaw('revision = (SELECT MAX(revision) FROM library_revisions AS l WHERE l.symptom = r.symptom)');
    }

    /** @return array<string, Node> by identifier, behind a NUL */
    private static function shipped(): array
    {
        static $nodes = null;
        if ($nodes === null) {
            $nodes = [];
            foreach (Node::parse((string) file_get_contents(database_path('library/symptoms.json')))->at('symptoms')->items() as $it) {
                $nodes["\0{$it->at('id')->string()}"] = $it;
            }
        }

        return $nodes;
    }
}
