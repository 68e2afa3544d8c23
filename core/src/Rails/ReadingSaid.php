<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Field\Text;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Document\Shape;
use Ash\Logbook\EntryData;
use Ash\Logbook\LineFacts;
use Ash\Logbook\LineRule;
use Ash\Logbook\LineSaid;
use Ash\Logbook\LineTable;
use Ash\Logbook\UnclearLine;
use Ash\Quantity\Notation;
use Ash\Quantity\Typed;
use Ash\Quantity\Unit;

/** A reading of a rail said in a line: "rail +12 11.31 ripple 141 at U52 loaded". The record knows the run, and what was left out. */
final readonly class ReadingSaid implements EntryData, LineRule, Settled
{
    private const EXAMPLE = 'rail +12 11.31 ripple 141 at U52 out loaded';

    /**
     * @param ?string $testPoint the rail's first one when it was not said
     * @param ?Load   $load      the one of the reading before when it was not said
     */
    public function __construct(
        #[Text(40)]
        public string $rail = '',
        #[Typed(Unit::Volt, signed: true)]
        public ?float $volts = null,
        #[Millivolts]
        public ?float $rippleMvpp = null,
        #[Typed(Unit::Ampere)]
        public ?float $amps = null,
        #[Typed(Unit::Ohm)]
        public ?float $ohmsToGround = null,
        #[Text(120)]
        public ?string $testPoint = null,
        public ?Load $load = null,
        public ?bool $changed = null,
        public ?bool $sure = null,
    ) {
    }

    public function settled(Node $read): static
    {
        $this->volts !== null || $this->ohmsToGround !== null || $read->refuse('must have volts or ohms');

        return $this;
    }

    /** @return array<string, mixed> fields of the entry, but for the run */
    public function fields(string $testPoint, Load $load): array
    {
        return [...Shape::of(self::class)->write($this), 'test_point' => $testPoint, 'load' => $load->value];
    }

    public function sentence(string $text): string
    {
        $said = array_filter([
            $this->volts === null ? '' : Notation::print($this->volts, Unit::Volt),
            $this->rippleMvpp === null ? '' : 'ripple '.Notation::plain($this->rippleMvpp, 3).' mVpp',
            $this->amps === null ? '' : Notation::print($this->amps, Unit::Ampere),
            $this->ohmsToGround === null ? '' : Notation::print($this->ohmsToGround, Unit::Ohm).' to ground',
        ], static fn (string $it): bool => $it !== '');

        return $this->rail.($this->testPoint === null ? '' : " at {$this->testPoint}").($this->load === null ? '' : ", {$this->load->words()}")
            .': '.implode(', ', $said);
    }

    public function read(string $line, LineFacts $facts): ?LineSaid
    {
        if (preg_match('/^rail:?\s+(.+)$/ius', $line, $m) !== 1) {
            return null;
        }
        // A rail may have a name of several words ("+5 standby"): they end where the first figure or word of the table stands.
        $table = self::table();
        $words = preg_split('/\s+/u', $m[1], -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $name = [(string) array_shift($words)];
        while ($words !== [] && preg_match('/^\pL/u', $words[0]) === 1 && !in_array(mb_strtolower($words[0]), $table->words(), true)) {
            $name[] = array_shift($words);
        }
        [$fields, $left] = $table->read(implode(' ', $words));
        $fields = ['rail' => implode(' ', $name), ...$fields];
        if ($left !== []) {
            throw new UnclearLine('does not understand "'.implode(' ', $left).'": write it as '.self::EXAMPLE);
        }

        return new LineSaid(ReadingTaken::KIND, '', Shape::of(self::class)->read(Node::of((object) $fields, LineSaid::POINTER)));
    }

    public function examples(): array
    {
        return ['rail' => self::EXAMPLE];
    }

    public function completions(string $begun, LineFacts $facts): array
    {
        $rails = $facts->profile?->section(DescribedRails::class);
        if ($rails === null || preg_match('/^rail\s+(.*)$/iu', $begun, $m) !== 1) {
            return [];
        }
        if (!str_contains($m[1], ' ')) {
            return $m[1] === '' ? array_map(
                static fn (string $it): string => $begun.$it,
                $rails->railNames(),
            ) : self::table()->goesOn($begun, $rails->railNames());
        }
        if (preg_match('/^(.* at )(.*)$/u', $begun, $at) !== 1) {
            return self::table()->goesOn($begun);
        }
        $points = array_map(static fn (TestPoint $it): string => $it->name, $rails->testPoints["\0".strtok($m[1], ' ')] ?? []);
        $points = array_filter($points, static fn (string $it): bool => $it !== $at[2] && str_starts_with(mb_strtolower($it), mb_strtolower($at[2])));

        return [...array_values(array_map(static fn (string $it): string => $at[1].$it, $points)), ...self::table()->goesOn($begun)];
    }

    private static function table(): LineTable
    {
        return new LineTable(
            first: ['volts'],
            after: ['ripple' => 'ripple_mvpp', 'amps' => 'amps', 'ohms' => 'ohms_to_ground'],
            behind: ['at' => 'test_point'],
            flags: [
                'loaded' => ['load', Load::Working->value], 'working' => ['load', Load::Working->value], 'partial' => ['load', Load::Partial->value],
                'unloaded' => ['load', Load::None->value], 'open' => ['load', Load::None->value], 'changed' => ['changed', true], 'sure' => ['sure', true],
            ],
        );
    }
}
