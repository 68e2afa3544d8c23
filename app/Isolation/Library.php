<?php

declare(strict_types=1);

namespace App\Isolation;

use Ash\Document\Node;
use Ash\Isolation\LibrarySymptom;

/** The symptoms that ship with it. A symptom is read when it is asked for: the whole takes longer than a page. */
final readonly class Library
{
    /** @return list<array{string, string}> identifiers and names */
    public static function names(): array
    {
        return array_map(static fn (Node $it): array => [$it->at('id')->string(), $it->at('name')->string()], self::nodes());
    }

    public static function symptom(string $id): ?LibrarySymptom
    {
        foreach (self::nodes() as $it) {
            if ($it->at('id')->string() === $id) {
                return LibrarySymptom::read($it);
            }
        }

        return null;
    }

    /** @return list<Node> */
    private static function nodes(): array
    {
        static $nodes = null;

        return $nodes ??= Node::parse((string) file_get_contents(database_path('library/symptoms.json')))->at('symptoms')->items();
    }
}
