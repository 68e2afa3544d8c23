<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\Text;
use Ash\Document\Kept;
use Ash\Logbook\EntryData;
use Ash\Logbook\LineFacts;
use Ash\Logbook\LineRule;
use Ash\Logbook\LineSaid;
use Ash\Logbook\UnclearLine;

/** An error read off a screen, said in a line: "mem 1A3F 55 51" is address, expected, read. The record takes it as a test of that text. */
final readonly class ErrorSaid implements EntryData, LineRule
{
    private const EXAMPLE = 'mem 1A3F 55 51';
    private const ROWS = 'mem rows 2 x 8 4116 U20 at 0';

    /**
     * @param string $error as a tester would print it
     * @param string $falls where it falls, once a map was asked
     */
    public function __construct(#[Text(120)] public string $error = '', #[Kept] #[Text] public string $falls = '')
    {
    }

    public function falling(string $falls): self
    {
        return new self($this->error, $falls);
    }

    public function sentence(string $text): string
    {
        [$address, $expected, $actual] = explode(' ', $this->error);

        return "Memory error at {$address}: {$expected} was written, {$actual} read".($this->falls === '' ? '' : "; {$this->falls}");
    }

    /** With the chip that the error falls on, in one memory's map; null when the text cannot be one of its words. */
    public function on(FittedMemory $memory): ?string
    {
        [$address, $expected, $actual] = array_map($memory->map->radix->parse(...), explode(' ', $this->error));
        if ($address === null || $expected === null || $actual === null) {
            return null;
        }
        $bank = $memory->map->bankAt($address);
        if ($bank === null) {
            return "{$memory->name} does not reach that far";
        }
        $wrong = $expected ^ $actual;
        $hit = array_filter(
            $memory->map->banks[$bank]->chips,
            static fn (Chip $chip): bool => array_filter($chip->bits, static fn (int $bit): bool => ($wrong >> $bit & 1) === 1) !== [],
        );

        return $wrong === 0 ? 'both are the same: no error' : 'falls on '.implode(
            ', ',
            array_map(static fn (Chip $chip): string => $chip->ref, $hit),
        )." of {$memory->name}";
    }

    public function read(string $line, LineFacts $facts): ?LineSaid
    {
        if (preg_match('/^mem(?:ory)?:?\s+(.+)$/isu', $line, $m) !== 1) {
            return null;
        }
        $body = trim($m[1]);
        if (preg_match('/^rows\s+(.+)$/isu', $body, $rows) === 1) {
            return new LineSaid(MemorySaid::KIND, '', (object) ['line' => $rows[1]]);
        }
        $word = '(?:0x|\$)?[0-9A-F]{1,16}h?';
        if (preg_match("/^({$word})[\\s,:]+({$word})[\\s,]+({$word})$/i", $body, $error) === 1) {
            return new LineSaid(MemoryRun::KIND, '', new self("{$error[1]} {$error[2]} {$error[3]}"));
        }

        // "memory counts up, then stops" is plain words.
        return str_starts_with(mb_strtolower($line), 'memory') ? null : throw UnclearLine::write(self::EXAMPLE.' (address, expected, read) or '.self::ROWS);
    }

    public function examples(): array
    {
        return ['mem' => self::EXAMPLE];
    }

    public function completions(string $begun, LineFacts $facts): array
    {
        return preg_match('/^mem\s*\w{0,3}$/i', $begun) === 1 ? array_values(array_filter(
            [self::EXAMPLE, self::ROWS],
            static fn (string $it): bool => str_starts_with($it, mb_strtolower($begun)),
        )) : [];
    }
}
