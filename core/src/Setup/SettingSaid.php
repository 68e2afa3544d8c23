<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\ListOf;
use Ash\Document\Field\Shaped;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Logbook\EntryData;
use Ash\Logbook\LineSaid;
use Ash\Logbook\UnclearLine;

/** A jumper block, a switch or another setting of a device, as it is seen on the board: how it may stand, and how it stands. */
final readonly class SettingSaid implements EntryData, Settled
{
    public const KIND = 'setting';
    /** A setting behind its device, as it is typed. */
    public const EXAMPLE = 'JP3 irq: 1-2 4, 2-3 3*';
    public const LINE = 'setting serial card: JP3 irq: 1-2 4, 2-3 3*';
    public const MOST = 1_048_576;
    public const WAYS = 32;

    /** Ports and bytes of a range of which nobody said how long it is. */
    private const PORTS = 8;
    private const WINDOW = 16_384;

    /**
     * @param string           $block   as it is printed: JP3, SW1 1-4
     * @param list<WayToStand> $options
     * @param int              $at      place of the one it stands on, from 0
     * @param ?int             $length  of a range, in ports or bytes
     */
    public function __construct(
        #[Text(80)] public string $device,
        #[Text(40)] public string $block,
        public Takes $takes,
        #[ListOf(new Shaped(WayToStand::class), most: self::WAYS)] public array $options,
        #[Whole(0, self::WAYS)] public int $at,
        #[Whole(1, self::MOST)] public ?int $length = null,
    ) {
    }

    public function settled(Node $read): static
    {
        self::ways($this->takes, $this->options, $this->length, $read);
        isset($this->options[$this->at]) || $read->at('at')->refuse('is none of the ways to stand');

        return $this;
    }

    /**
     * Refuses ways to stand that are none, or twice the same, and a length where there is none.
     *
     * @param list<WayToStand> $options
     * @param Node             $read    the document they stand in, with "options" and "length"
     */
    public static function ways(Takes $takes, array $options, ?int $length, Node $read): void
    {
        $options !== [] || $read->at('options')->refuse('must list at least one way to stand');
        foreach ($read->at('options')->items() as $i => $it) {
            $takes->holds($options[$i]->value) || $it->at('value')->refuse($takes->wants());
        }
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('value'), $read->at('options')->items()));
        ($length !== null) === $takes->ranges() || $read->at('length')->refuse(
            $takes->ranges() ? "say how long: {$takes->value}/8 (ports) or {$takes->value}/16K" : "is for io and mem, not for {$takes->value}",
        );
    }

    /** "serial card: JP3 irq: 1-2 4, 2-3 3*": the device, the block, what it takes, the ways, a star where it stands. */
    public static function said(string $body, string $line): LineSaid
    {
        if (preg_match('/^(.{1,80}?)\s*:\s*(.+)$/su', $body, $m) !== 1 || self::parts($m[2]) === null) {
            return LineSaid::observation($line);
        }
        [$block, $takes, $options, $length, $at] = self::parts($m[2]);
        $at !== null || throw UnclearLine::write(self::LINE.' (a star where it stands)');

        return new LineSaid(self::KIND, '', (object) ([
            'device' => trim($m[1]), 'block' => $block, 'takes' => $takes->value, 'options' => $options, 'at' => $at,
        ] + ($length === null ? [] : ['length' => $length])));
    }

    /** A block of a device as it is typed, with a star or without; null when it is not written so. */
    public static function block(string $device, string $said): ?self
    {
        $parts = self::parts($said);
        if ($parts === null) {
            return null;
        }
        [$block, $takes, $options, $length, $at] = $parts;
        $ways = array_map(static fn (\stdClass $it): WayToStand => new WayToStand($it->value, $it->pins ?? null), $options);

        return array_filter($ways, static fn (WayToStand $it): bool => !$takes->holds($it->value)) === []
            ? new self($device, $block, $takes, $ways, $at ?? 0, $length)
            : null;
    }

    /**
     * @return array{string, Takes, list<object{value: string, pins?: string}&\stdClass>, ?int, ?int}|null block, what it takes, ways, length, place of the
     *                                                                                                     star
     */
    private static function parts(string $said): ?array
    {
        $takes = implode('|', array_column(Takes::cases(), 'value'));
        if (preg_match("/^(.{1,40}?)\\s+({$takes})(?:\\/(\\d{1,4})(K?))?\\s*:\\s*(.+)$/isu", trim($said), $m) !== 1) {
            return null;
        }
        [$options, $at] = self::typed($m[5]);
        $takes = Takes::from(strtolower($m[2]));
        $length = $m[3] === '' ? self::usual($takes, $options) : (int) $m[3] * ($m[4] === '' ? 1 : 1024);

        return [trim($m[1]), $takes, $options, $length, $at];
    }

    /**
     * "1-2 5, 2-3 7*", or "220 240* 260": the last word of each is what it sets.
     *
     * @return array{list<object{value: string, pins?: string}&\stdClass>, ?int}
     */
    private static function typed(string $said): array
    {
        $plain = preg_match('/^[0-9a-f]{1,6}\*?(?:\s+[0-9a-f]{1,6}\*?)+$/iD', trim($said)) === 1;
        $options = [];
        $at = null;
        foreach (preg_split($plain ? '/\s+/' : '/\s*,\s*/', trim($said)) ?: [] as $way) {
            str_contains($way, '*') && $at = count($options);
            $words = preg_split('/\s+/', trim($way, " \t*")) ?: [];
            $value = (string) array_pop($words);
            $options[] = $words === [] ? (object) ['value' => $value] : (object) ['value' => $value, 'pins' => implode(' ', $words)];
        }

        return [$options, $at];
    }

    /**
     * How long a range is of which nobody said so: what lies between two ways to stand, at most; alone, what is usual (common practice, no source).
     *
     * @param list<object{value: string}&\stdClass> $options
     */
    private static function usual(Takes $takes, array $options): ?int
    {
        if (!$takes->ranges()) {
            return null;
        }
        $bases = array_map(static fn (object $it): int => $takes->place($it->value), $options);
        sort($bases);
        $gaps = array_filter(array_map(static fn (int $a, int $b): int => $b - $a, array_slice($bases, 0, -1), array_slice($bases, 1)));
        $usual = $takes === Takes::Io ? self::PORTS : self::WINDOW;

        return min([...$gaps, $usual]);
    }

    public function stands(): WayToStand
    {
        return $this->options[$this->at];
    }

    public function sentence(string $text): string
    {
        return "{$this->device}, {$this->block}: {$this->takes->words()} {$this->stands()->words()}"
            .($this->length === null ? '' : ', '.($this->takes === Takes::Mem ? intdiv($this->length, 1024).'K' : $this->length).' long');
    }

    public function known(?string $source = null): KnownBlock
    {
        return new KnownBlock($this->device, $this->block, $this->takes, $this->options, $this->length, $source);
    }

    /** By which a later word about the same block replaces this one. */
    public function key(): string
    {
        return SourceWrong::at($this->device, $this->block);
    }

    /** @return array<string, mixed> as the search takes it */
    public function document(): array
    {
        return [
            'name' => $this->block, 'at' => $this->stands()->value,
            'options' => array_map(fn (WayToStand $it): array => ['name' => $it->value, 'claims' => match (true) {
                $this->takes->adds() => [],
                $this->takes->ranges() => [[
                    'resource' => $this->takes->value, 'base' => $this->takes->place($it->value), 'length' => (int) $this->length,
                ]],
                default => [['resource' => $this->takes->value, 'at' => $this->takes->place($it->value)]],
            }], $this->options),
        ];
    }
}
