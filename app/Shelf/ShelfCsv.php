<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Http\Once;
use App\Logbook\Board;
use App\Logbook\Row;
use App\People\Person;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Shape;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;

/** The shelf as CSV (RFC 4180), out and in. A file with one broken row is refused whole, with the row and the column. */
final readonly class ShelfCsv
{
    public const COLUMNS = [
        'sku',
        'name',
        'kind',
        'marked_f',
        'rated_v',
        'quantity',
        'low_at',
        'place',
        'source',
        'tested',
        'came_on',
        'esr_ohm',
        'hours',
        'temperature_c',
        'diameter_mm',
        'height_mm',
        'pitch_mm',
        'safety_class',
        'tolerance_minus_pct',
        'tolerance_plus_pct',
    ];
    private const NUMBERS = [
        'quantity',
        'low_at',
        'esr_ohm',
        'hours',
        'temperature_c',
        'diameter_mm',
        'height_mm',
        'pitch_mm',
        'tolerance_minus_pct',
        'tolerance_plus_pct',
    ];
    private const MOST_ROWS = 5000;
    private const MOST_BYTES = 4_000_000;
    private const AT_ONCE = 500;

    /** @return int rows that were taken */
    public static function import(string $path, Person $who): int
    {
        $file = new \SplFileObject($path);
        $file->setFlags(\SplFileObject::READ_CSV | \SplFileObject::SKIP_EMPTY | \SplFileObject::READ_AHEAD | \SplFileObject::DROP_NEW_LINE);
        $file->setCsvControl(',', '"', '');

        // Refused at once by its size, before anything is read into a part.
        $lines = substr_count((string) file_get_contents($path), "\n");
        filesize($path) <= self::MOST_BYTES && $lines <= 2 * self::MOST_ROWS
            || throw InvalidDocument::at('/file', 'has more than '.self::MOST_ROWS.' rows, or more than 4 MB: split it');

        return Once::transaction(static function () use ($file, $who): int {
            $header = null;
            $taken = 0;
            $parts = [];
            foreach ($file as $i => $cells) {
                $cells = array_map(static fn (mixed $it): string => is_string($it) ? $it : '', is_array($cells) ? array_values($cells) : []);
                $row = $i + 1;
                if ($header === null) {
                    $header = self::header($cells);
                    continue;
                }
                count($cells) === count($header)
                    || throw InvalidDocument::at('/file', "row {$row}: has ".count($cells).' fields where the header has '.count($header));
                ++$taken <= self::MOST_ROWS || throw InvalidDocument::at('/file', 'has more than '.self::MOST_ROWS.' rows: split it');
                $parts[$row] = self::part(array_combine($header, $cells), $row);
            }
            $header !== null && $taken > 0 || throw InvalidDocument::at('/file', 'has no rows');
            self::distinct($parts);
            try {
                Shelf::lay(array_map(static fn (array $part): ShelfBody => $part[1], $parts), $who);
            } catch (UniqueConstraintViolationException) {
                throw InvalidDocument::at('/file', 'has a sku that the shelf has already, or has it twice but for accents or spaces');
            }

            return $taken;
        });
    }

    /** @return \Generator<int, list<string|float|int|null>> */
    public static function rows(): \Generator
    {
        // A page begins where the one before ended: the last costs what the first does.
        $page = DB::table('shelf_items')->orderBy('sku')->limit(self::AT_ONCE);
        for ($items = $page->get(); $items->isNotEmpty(); $items = (clone $page)->where('sku', '>', (new Row($items->last()))->string('sku'))->get()) {
            foreach ($items as $row) {
                $spec = json_decode((new Row($row))->string('spec'), true);
                $fields = [...(is_array($spec) ? $spec : []), ...get_object_vars($row)];
                $fields['tested'] = (new Row($row))->int('tested') === 1 ? 'yes' : 'no';
                $fields['came_on'] = substr((new Row($row))->string('came_on'), 0, 10);
                yield array_map(static function (string $column) use ($fields): string|float|int|null {
                    $field = $fields[$column] ?? null;

                    return is_string($field) || is_float($field) || is_int($field) ? $field : null;
                }, self::COLUMNS);
            }
        }
    }

    /**
     * @param list<string> $cells
     *
     * @return list<string>
     */
    private static function header(array $cells): array
    {
        $names = array_map(static fn (string $it): string => preg_replace('/^\x{FEFF}/u', '', trim($it)) ?? '', $cells);
        foreach ($names as $i => $name) {
            in_array($name, self::COLUMNS, true)
                || throw InvalidDocument::at('/file', "row 1: has a column \"{$name}\" that is not known; known are ".implode(', ', self::COLUMNS));
            in_array($name, array_slice($names, 0, $i), true) && throw InvalidDocument::at('/file', "row 1: has the column \"{$name}\" twice");
        }

        return $names;
    }

    /**
     * No two rows, and no row and a part that is there, have one SKU; every donor is a board of this workshop.
     *
     * @param array<int, array{Node, ShelfBody}> $parts by row
     */
    private static function distinct(array $parts): void
    {
        $seen = [];
        foreach (array_chunk($parts, self::AT_ONCE, true) as $some) {
            $there = ShelfItem::query()->whereIn('sku', array_map(static fn (array $it): string => $it[1]->sku, $some))->pluck('sku')
                ->mapWithKeys(static fn (mixed $sku): array => [self::folded(is_string($sku) ? $sku : '') => true]);
            $donors = Board::query()->whereIn('id', array_filter(array_map(static fn (array $it): ?string => $it[1]->donorBoard, $some)))->pluck('id', 'id');
            foreach ($some as $row => [$node, $part]) {
                $sku = self::folded($part->sku);
                if (isset($seen[$sku]) || $there->has($sku)) {
                    throw InvalidDocument::at('/file', "row {$row}, column sku: there is a \"{$part->sku}\" on the shelf already, or above in this file");
                }
                $seen[$sku] = true;
                if ($part->donorBoard !== null && !$donors->has($part->donorBoard)) {
                    throw InvalidDocument::at('/file', "row {$row}, column donor_board: there is no such board");
                }
            }
        }
    }

    /** Near enough to the database's own equality of names; its unique key has the last word. */
    private static function folded(string $sku): string
    {
        return mb_strtolower(trim($sku));
    }

    /**
     * @param array<string, string> $cells
     *
     * @return array{Node, ShelfBody}
     */
    private static function part(array $cells, int $row): array
    {
        $fields = [];
        foreach (array_filter($cells, static fn (string $it): bool => trim($it) !== '') as $column => $cell) {
            $fields[$column] = match (true) {
                in_array($column, self::NUMBERS, true) && is_numeric($cell) => $cell + 0,
                in_array($column, ['marked_f', 'rated_v'], true) && is_numeric($cell) => (float) $cell,
                $column === 'tested' && in_array(strtolower($cell), ['yes', 'true', '1'], true) => true,
                $column === 'tested' && in_array(strtolower($cell), ['no', 'false', '0'], true) => false,
                default => $cell,
            };
        }
        try {
            $node = Node::of((object) $fields);

            return [$node, Shape::of(ShelfBody::class)->read($node)];
        } catch (InvalidDocument $fault) {
            throw InvalidDocument::at('/file', "row {$row}, column ".(ltrim($fault->pointer, '/') ?: '1').": {$fault->detail}");
        }
    }
}
