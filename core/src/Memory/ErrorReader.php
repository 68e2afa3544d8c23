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

    /** @var array<array-key, int> word by its text */
    private array $words = [];

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
            $this->take(
                array_map(static fn (Node $it): string => $it->string(), $error) + ($bit === null
                    ? []
                    : ['bit' => is_int($bit) ? (string) $bit : $node->at('bit')->string()]),
                $row,
            );
        }
    }

    /**
     * @param iterable<string> $lines     with their line breaks
     * @param bool             $keepWhole a last line that cannot be read is left out and said, and what came before it is kept
     *
     * @return string|null why the last line was left out
     */
    public function csv(iterable $lines, bool $keepWhole = false): ?string
    {
        $header = $cut = null;
        $plain = false;
        $row = 0;
        $open = '';
        foreach ($lines as $line) {
            $cut === null || throw $cut;
            $open .= $line;
            strlen($open) <= self::LONGEST
                || throw InvalidDocument::at(
                    $header === null ? '/errors' : "/errors/{$row}",
                    'is longer than '.self::LONGEST.' characters: is a quote not closed, is it a CSV file at all?',
                );
            $quoted = str_contains($open, '"');
            if ($quoted && substr_count($open, '"') % 2 === 1) {
                continue;
            }
            $cells = $quoted ? str_getcsv(rtrim($open, "\r\n"), ',', '"', '') : explode(',', rtrim($open, "\r\n"));
            $open = '';
            if ($header === null) {
                $header = $this->header($cells);
                $plain = $header === ['address', 'expected', 'actual'];
                continue;
            }
            if ($plain && $this->seenBefore($cells)) {
                ++$row;
                continue;
            }
            try {
                $this->row($cells, $header, $row);
            } catch (InvalidDocument $fault) {
                $cut = $keepWhole ? $fault : throw $fault;
            }
            ++$row;
        }
        if ($open !== '') {
            $cut = InvalidDocument::at("/errors/{$row}", 'is truncated: a quote is not closed');
        }
        $header ?? throw InvalidDocument::at('/errors', 'has no header row');

        return $cut === null || $keepWhole ? $cut?->detail : throw $cut;
    }

    /**
     * The usual row, of words that were read and found good before: it is taken at once. Any other goes through row().
     *
     * @param array<?string> $cells address, expected, actual
     */
    private function seenBefore(array $cells): bool
    {
        $expected = $this->words[$cells[1] ?? ''] ?? null;
        $actual = $this->words[$cells[2] ?? ''] ?? null;
        if ($expected === null || $actual === null || isset($cells[3])) {
            return false;
        }
        $address = $this->radix->parse((string) $cells[0]);
        if ($address === null) {
            return false;
        }
        $this->guess?->took((string) $cells[0]);
        $this->locator->data($address, $expected ^ $actual, $actual);

        return true;
    }

    /**
     * @param array<?string> $cells
     * @param list<string>   $header
     */
    private function row(array $cells, array $header, int $row): void
    {
        if (count($cells) !== count($header)) {
            throw InvalidDocument::at("/errors/{$row}", 'has '.count($cells).' fields where the header has '.count($header).': is the line truncated?');
        }
        $error = [];
        foreach ($cells as $i => $cell) {
            if ($cell !== '' && $cell !== null) {
                $error[$header[$i]] = $cell;
            }
        }
        $this->take($error, $row);
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

    /** @param array<array-key, string> $error by field */
    private function take(array $error, int $row): void
    {
        if ($this->guess !== null && isset($error['address'])) {
            $this->guess->took($error['address']);
        }
        if (isset($error['address'], $error['expected'], $error['actual']) && count($error) === 3) {
            $actual = $this->word($error, 'actual', $row);
            $this->locator->data($this->number($error, 'address', $row), $this->word($error, 'expected', $row) ^ $actual, $actual);
        } elseif (isset($error['address'], $error['xor']) && count($error) === 2) {
            $this->locator->data($this->number($error, 'address', $row), $this->word($error, 'xor', $row), null);
        } elseif (isset($error['address'], $error['kind']) && count($error) === 2) {
            $error['kind'] === 'parity' || throw InvalidDocument::at("/errors/{$row}/kind", 'must be parity');
            $this->locator->parity($this->number($error, 'address', $row));
        } elseif (isset($error['bank'], $error['bit']) && count($error) === 2) {
            $this->bankBit($error['bank'], $error['bit'], "/errors/{$row}");
        } elseif (isset($error['ref']) && count($error) === 1) {
            $this->chip($error['ref'], "/errors/{$row}");
        } else {
            throw self::mixed($error, "/errors/{$row}");
        }
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
                $this->locator->named($bank, [$bit]);

                return;
            }
        }
        throw InvalidDocument::at("{$pointer}/bit", "bank {$name} has no bit {$written}");
    }

    private function chip(string $ref, string $pointer): void
    {
        [$bank, $chip] = $this->map->byRef["\0{$ref}"] ?? throw InvalidDocument::at("{$pointer}/ref", "there is no chip \"{$ref}\"");
        $this->locator->named($bank, $this->map->banks[$bank]->chips[$chip]->bits);
    }
}
