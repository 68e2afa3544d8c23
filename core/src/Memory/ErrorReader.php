<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Quantity\Radix;

/** A memory test's errors, one by one into the locator: from a document's list, or as a stream of CSV (RFC 4180). */
final class ErrorReader
{
    /** Bytes of a row. Without a bound a quote that is never closed would swallow the rest of the file. */
    private const LONGEST = 65_536;

    private const FIELDS = ['address', 'expected', 'actual', 'xor', 'kind', 'bank', 'bit', 'ref'];

    /** Words that are kept as read: a test names the same ones again and again. */
    private const KEPT = 4096;

    /** Bytes of a file that are read at once. */
    private const BATCH = 1_048_576;

    /** Lines of a batch that are looked at one by one before the rest is taken at once: the header, and what tells the radix. */
    private const BY_LINE = 2;

    /** Addresses whose place is kept. */
    private const PLACES = 16_384;

    /** @var array<array-key, int> word by its text */
    private array $words = [];

    /** @var array<array-key, array{int, int, int}> place by the text of its address */
    private array $places = [];

    /** @var list<string>|null */
    private ?array $header = null;

    /** address, expected, actual: the usual columns */
    private bool $plain = false;

    /** Rows that have been read. */
    private int $row = 0;

    /** Rows alike that are taken at once. */
    private int $times = 1;

    /** A row whose quote is not closed yet. */
    private string $open = '';
    private ?InvalidDocument $cut = null;

    private readonly Radix $radix;

    /** @param Radix|null $radix of the addresses and words; the map's when absent */
    public function __construct(private readonly Map $map, private readonly Locator $locator, ?Radix $radix = null, private readonly ?RadixGuess $guess = null)
    {
        $this->radix = $radix ?? $map->radix;
    }

    public function document(Node $list): void
    {
        foreach ($list->items(100_000) as $row => $node) {
            $node->only(...self::FIELDS);
            $error = $node->members();
            $bit = $node->optional('bit')?->raw();
            unset($error['bit']);
            $sampled = $this->take(
                array_map(static fn (Node $it): string => $it->string(), $error) + ($bit === null
                    ? []
                    : ['bit' => is_int($bit) ? (string) $bit : $node->at('bit')->string()]),
                $row,
            );
            $sampled === null || $this->locator->sampled([''], ['' => $sampled]);
        }
    }

    /**
     * @param iterable<string> $pieces    of the file, cut anywhere
     * @param bool             $keepWhole a last line that cannot be read is left out and said, and what came before it is kept
     *
     * @return string|null why the last line was left out
     */
    public function csv(iterable $pieces, bool $keepWhole = false): ?string
    {
        $this->header = $this->cut = null;
        $this->row = 0;
        $this->open = '';
        $text = '';
        foreach ($pieces as $piece) {
            $text .= $piece;
            $end = strlen($text) > self::LONGEST ? strrpos($text, "\n") : null;
            $end === false && $this->bounded($text);
            if (strlen($text) < self::BATCH || !is_int($end)) {
                continue;
            }
            $this->lines(substr($text, 0, $end + 1), $keepWhole);
            $text = substr($text, $end + 1);
        }
        $text === '' || $this->lines($text, $keepWhole);
        if ($this->open !== '') {
            $this->cut = InvalidDocument::at("/errors/{$this->row}", 'is truncated: a quote is not closed');
        }
        $this->header ?? throw InvalidDocument::at('/errors', 'has no header row');

        return $this->cut === null || $keepWhole ? $this->cut?->detail : throw $this->cut;
    }

    /** @param string $text whole lines; the last one of the file may lack its break */
    private function lines(string $text, bool $keepWhole): void
    {
        $lines = explode("\n", str_ends_with($text, "\n") ? substr($text, 0, -1) : $text);
        if ($this->header === null || $this->open !== '' || str_contains($text, '"') || $this->guess?->asks() === true) {
            foreach ($lines as $i => $line) {
                if ($this->header !== null && $this->open === '' && $i > self::BY_LINE && !str_contains($text, '"') && $this->guess?->asks() !== true) {
                    $this->alike(array_slice($lines, $i), $keepWhole);

                    return;
                }
                $this->line($line, $keepWhole);
            }

            return;
        }
        $this->alike($lines, $keepWhole);
    }

    /**
     * Rows without quotes, of which a test's log has many alike: each is read once.
     *
     * @param list<string> $lines
     */
    private function alike(array $lines, bool $keepWhole): void
    {
        $this->cut === null || $lines === [] || throw $this->cut;
        $errors = [];
        $usual = $this->plain && !str_contains($lines[0] ?? '', "\r");
        foreach (array_count_values($lines) as $line => $times) {
            if ($usual) {
                // Of words and at places that were read and found good before: taken at once.
                $cells = explode(',', (string) $line);
                $place = $this->places[$cells[0]] ?? null;
                $expected = $this->words[$cells[1] ?? ''] ?? null;
                $actual = $this->words[$cells[2] ?? ''] ?? null;
                if ($place !== null && $expected !== null && $actual !== null && !isset($cells[3])) {
                    $this->locator->at($place, $expected ^ $actual, $actual, $times);
                    // One that is outside the map belongs into no sample.
                    $place[1] >= 0 || $errors[$line] = null;
                    continue;
                }
            }
            $line = (string) $line;
            $this->times = $times;
            try {
                $errors[$line] = $this->read($line);
            } catch (InvalidDocument) {
                $at = (int) array_search($line, $lines, true);
                $row = $this->row;
                $this->row += $at;
                $this->unreadable($line, $keepWhole && $at === count($lines) - 1);
                $this->row = $row;
                $errors[$line] = null;
            }
        }
        $this->times = 1;
        $this->locator->sampled($lines, $errors, $this->again(...));
        $this->row += count($lines);
    }

    /** @return array{int, int, int, int}|null of a usual row that was taken at once, what belongs into the sample */
    private function again(string $line): ?array
    {
        [$address, $expected, $actual] = [...explode(',', $line), '', '', ''];
        $place = $this->places[$address] ?? $this->locator->place($this->radix->parse($address) ?? 0);
        $read = $this->words[$actual] ?? $this->radix->parse($actual) ?? 0;

        return $place[1] < 0 ? null : [$place[1], $place[0], ($this->words[$expected] ?? $this->radix->parse($expected) ?? 0) ^ $read, $read];
    }

    /** @param bool $last what comes before it may be kept */
    private function unreadable(string $line, bool $last): void
    {
        try {
            $this->read($line);
        } catch (InvalidDocument $fault) {
            $this->cut = $last ? $fault : throw $fault;
        }
    }

    private function line(string $line, bool $keepWhole): void
    {
        $this->cut === null || throw $this->cut;
        $this->open = $this->open === '' ? $line : "{$this->open}\n{$line}";
        $this->bounded($this->open);
        $quoted = str_contains($this->open, '"');
        if ($quoted && substr_count($this->open, '"') % 2 === 1) {
            return;
        }
        $line = $this->open;
        $this->open = '';
        if ($this->header === null) {
            $this->header = $this->header(self::cells($line));
            $this->plain = $this->header === ['address', 'expected', 'actual'];

            return;
        }
        try {
            $error = $this->read($line);
            $error === null || $this->locator->sampled([$line], [$line => $error]);
        } catch (InvalidDocument $fault) {
            $this->cut = $keepWhole ? $fault : throw $fault;
        }
        ++$this->row;
    }

    private function bounded(string $line): void
    {
        strlen($line) <= self::LONGEST
            || throw InvalidDocument::at(
                $this->header === null ? '/errors' : "/errors/{$this->row}",
                'is longer than '.self::LONGEST.' characters: is a quote not closed, is it a CSV file at all?',
            );
    }

    /** @return list<?string> */
    private static function cells(string $line): array
    {
        $line = rtrim($line, "\r\n");

        return str_contains($line, '"') ? str_getcsv($line, ',', '"', '') : explode(',', $line);
    }

    /** @return array{int, int, int, int}|null what of it belongs into the locator's sample */
    private function read(string $line): ?array
    {
        $this->bounded($line);
        $cells = self::cells($line);

        return $this->plain ? $this->plain($cells) : $this->row($cells);
    }

    /**
     * The usual row, of words that were read and found good before, is taken at once. Any other goes through row().
     *
     * @param list<?string> $cells address, expected, actual
     *
     * @return array{int, int, int, int}|null
     */
    private function plain(array $cells): ?array
    {
        $expected = $this->words[$cells[1] ?? ''] ?? null;
        $actual = $this->words[$cells[2] ?? ''] ?? null;
        if ($expected === null || $actual === null || isset($cells[3])) {
            return $this->row($cells);
        }
        $address = $this->radix->parse((string) $cells[0]);
        if ($address === null) {
            return $this->row($cells);
        }
        $this->guess?->took((string) $cells[0]);
        count($this->places) < self::PLACES || $this->places = [];
        $place = $this->places[(string) $cells[0]] = $this->locator->place($address);
        $this->locator->at($place, $expected ^ $actual, $actual, $this->times);

        return $place[1] < 0 ? null : [$place[1], $address, $expected ^ $actual, $actual];
    }

    /**
     * @param array<?string> $cells
     *
     * @return array{int, int, int, int}|null
     */
    private function row(array $cells): ?array
    {
        $header = $this->header ?? [];
        if (count($cells) !== count($header)) {
            throw InvalidDocument::at("/errors/{$this->row}", 'has '.count($cells).' fields where the header has '.count($header).': is the line truncated?');
        }
        $error = [];
        foreach ($cells as $i => $cell) {
            if ($cell !== '' && $cell !== null) {
                $error[$header[$i]] = $cell;
            }
        }

        return $this->take($error, $this->row);
    }

    /**
     * @param array<?string> $cells
     *
     * @return non-empty-list<string>
     */
    private function header(array $cells): array
    {
        $names = array_map(static fn (?string $it): string => preg_replace('/^\x{FEFF}/u', '', trim((string) $it)) ?? '', array_values($cells));
        foreach ($names as $i => $name) {
            in_array($name, self::FIELDS, true) || throw InvalidDocument::at('/errors', "has a column \"{$name}\" that is not known");
            in_array($name, array_slice($names, 0, $i), true) && throw InvalidDocument::at('/errors', "has the column \"{$name}\" twice");
        }

        return $names === [] ? throw InvalidDocument::at('/errors', 'has no header row') : $names;
    }

    /**
     * @param array<array-key, string> $error by field
     *
     * @return array{int, int, int, int}|null what of it belongs into the locator's sample
     */
    private function take(array $error, int $row): ?array
    {
        if ($this->guess !== null && isset($error['address'])) {
            $this->guess->took($error['address']);
        }
        if (isset($error['address'], $error['expected'], $error['actual']) && count($error) === 3) {
            $actual = $this->word($error, 'actual', $row);

            return $this->locator->counted($this->number($error, 'address', $row), $this->word($error, 'expected', $row) ^ $actual, $actual, $this->times);
        }
        if (isset($error['address'], $error['xor']) && count($error) === 2) {
            return $this->locator->counted($this->number($error, 'address', $row), $this->word($error, 'xor', $row), null, $this->times);
        }
        if (isset($error['address'], $error['kind']) && count($error) === 2) {
            $error['kind'] === 'parity' || throw InvalidDocument::at("/errors/{$row}/kind", 'must be parity');
            $this->locator->parity($this->number($error, 'address', $row), $this->times);
        } elseif (isset($error['bank'], $error['bit']) && count($error) === 2) {
            $this->bankBit($error['bank'], $error['bit'], "/errors/{$row}");
        } elseif (isset($error['ref']) && count($error) === 1) {
            $this->chip($error['ref'], "/errors/{$row}");
        } else {
            throw self::mixed($error, "/errors/{$row}");
        }

        return null;
    }

    /** @param array<array-key, string> $error */
    private static function mixed(array $error, string $pointer): InvalidDocument
    {
        $field = match (true) {
            isset($error['kind'], $error['xor']), isset($error['kind'], $error['expected']) => 'kind',
            isset($error['xor'], $error['expected']), isset($error['xor'], $error['actual']) => 'xor',
            isset($error['expected']) && !isset($error['actual']) => 'actual',
            isset($error['actual']) && !isset($error['expected']) => 'expected',
            isset($error['bank']) && !isset($error['bit']) => 'bit',
            isset($error['bit']) && !isset($error['bank']) => 'bank',
            default => null,
        };

        return InvalidDocument::at(
            $pointer.($field === null ? '' : "/{$field}"),
            'must be address with expected and actual, address with xor, address with kind parity, bank with bit, or ref',
        );
    }

    /** @param array<array-key, string> $error */
    private function number(array $error, string $field, int $row): int
    {
        return $this->radix->parse($error[$field]) ?? throw InvalidDocument::at("/errors/{$row}/{$field}", "must be a number in radix {$this->radix->value}");
    }

    /** @param array<array-key, string> $error */
    private function word(array $error, string $field, int $row): int
    {
        $text = $error[$field];
        if (isset($this->words[$text])) {
            return $this->words[$text];
        }
        $word = $this->number($error, $field, $row);
        count($this->words) < self::KEPT || $this->words = [];

        return $word >> $this->map->wordBits === 0
            ? $this->words[$text] = $word
            : throw InvalidDocument::at("/errors/{$row}/{$field}", "is wider than {$this->map->wordBits} bits");
    }

    private function bankBit(string $name, string $written, string $pointer): void
    {
        $bank = $this->map->byName["\0{$name}"] ?? throw InvalidDocument::at("{$pointer}/bank", "there is no bank \"{$name}\"");
        $bit = $written === 'P' ? Bank::P : (preg_match('/^\d{1,2}$/D', $written) === 1 ? (int) $written : -1);
        foreach ($this->map->banks[$bank]->chips as $chip) {
            if (in_array($bit, $chip->bits, true)) {
                $this->locator->named($bank, [$bit], $this->times);

                return;
            }
        }
        throw InvalidDocument::at("{$pointer}/bit", "bank {$name} has no bit {$written}");
    }

    private function chip(string $ref, string $pointer): void
    {
        [$bank, $chip] = $this->map->byRef["\0{$ref}"] ?? throw InvalidDocument::at("{$pointer}/ref", "there is no chip \"{$ref}\"");
        $this->locator->named($bank, $this->map->banks[$bank]->chips[$chip]->bits, $this->times);
    }
}
