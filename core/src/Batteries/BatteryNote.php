<?php

declare(strict_types=1);

namespace Ash\Batteries;

use Ash\Document\Field\ListOf;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Document\Kept;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Document\Shape;
use Ash\Facts\Answered;
use Ash\Logbook\EntryData;
use Ash\Quantity\Notation;
use Ash\Quantity\Typed;
use Ash\Quantity\Unit;

/** What is written down of a battery: as found, removed, or fitted. */
final readonly class BatteryNote implements EntryData, Settled
{
    public const KIND = 'battery';

    /**
     * @param ?string      $positiveTowards what the positive end lies towards, in words
     * @param ?Option      $option          what was fitted; it says chemistry and cells
     * @param ?string      $override        why the polarity differs from what was recorded
     * @param ?bool        $blocked         what keeps the board's charge from a cell that may not be charged is in and measured
     * @param list<string> $reasons
     */
    public function __construct(
        public BatteryState $state,
        public ?Chemistry $chemistry = null,
        #[Whole(1, 100)]
        public ?int $cells = null,
        #[Text(160)]
        public ?string $where = null,
        #[Text(120)]
        public ?string $positiveTowards = null,
        #[Typed(Unit::Volt, signed: true)]
        public ?float $volts = null,
        public ?Option $option = null,
        #[Text(300)]
        public ?string $override = null,
        public ?\DateTimeImmutable $recheckAt = null,
        public ?bool $blocked = null,
        #[Kept]
        public ?CellState $cellState = null,
        #[Kept]
        #[ListOf(new Text())]
        public array $reasons = [],
    ) {
    }

    public function settled(Node $read): static
    {
        $fitted = $this->state === BatteryState::Fitted;
        if ($fitted) {
            $read->at('option');
            $read->at('positive_towards');
        } elseif ($this->option !== null) {
            $read->at('option')->refuse('belongs to a battery that is fitted');
        }
        $it = $this->option === null ? $this : Shape::of(self::class)->with($this, [
            'chemistry' => $this->option === Option::Supercap1F ? null : $this->option->chemistry(),
            'cells' => $this->option->cells(),
        ]);

        return $it->judged($read);
    }

    /** The positive end is written down in words ("the keyboard plug"); words agree when they differ in case and blanks only. */
    public static function agrees(string $recorded, string $given): bool
    {
        $plain = static fn (string $text): string => mb_strtolower(preg_replace('/\s+/', ' ', trim($text)) ?? '');

        return $plain($recorded) === $plain($given);
    }

    /** @return list<Answered> its state, and that of its cell where it was measured */
    public function answers(): array
    {
        $words = 'battery '.$this->state->words();

        return [
            new Answered('batteries', $this->state->value, $words),
            ...($this->cellState === null ? [] : [new Answered('batteries', $this->cellState->value, "{$words}, {$this->cellState->value}")]),
        ];
    }

    public function sentence(string $text): string
    {
        $kind = $this->option?->words() ?? $this->chemistry?->words();
        $cells = $this->cells === null || $this->option !== null ? '' : ($this->cells === 1 ? ', one cell' : ", {$this->cells} cells");

        return "Battery {$this->state->value}".($kind === null ? '' : ": {$kind}").$cells
            .($this->where === null ? '' : ", {$this->where}")
            .($this->positiveTowards === null ? '' : ", positive end towards {$this->positiveTowards}")
            .($this->volts === null ? '' : ', '.Notation::print($this->volts, Unit::Volt))
            .($this->cellState === null ? '' : " ({$this->cellState->value})")
            .($this->blocked === true ? ', blocking diode and what else it needs measured' : '')
            .($this->override === null ? '' : "; polarity differs from the record, because {$this->override}");
    }

    private function judged(Node $read): self
    {
        if ($this->volts === null || $this->option === Option::Supercap1F) {
            return $this;
        }
        if ($this->chemistry === null || $this->cells === null) {
            $read->at('volts')->refuse('say chemistry and cells with it, so that it can be judged');
        }
        $pack = Pack::judge($this->chemistry, $this->cells, $this->volts);
        $pack->question === null || $read->at('volts')->refuse($pack->question);

        return Shape::of(self::class)->with($this, ['cellState' => $pack->state, 'reasons' => $pack->reasons]);
    }
}
