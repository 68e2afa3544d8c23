<?php

declare(strict_types=1);

namespace Ash\Batteries;

use Ash\Document\Node;
use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** A battery as found, judged by its voltage a cell. */
final readonly class Pack
{
    /** A cell beyond this share of its "over" limit, or below nothing, is not what was written down: cells or meter are wrong. */
    private const IMPLAUSIBLE = 1.25;

    /** Volts a cell of a nickel pack whose other cells are shorted. */
    private const ALIVE_FROM_V = 1.15;
    private const ALIVE_TO_V = 1.40;

    /** @param list<string> $reasons */
    private function __construct(
        public float $voltsPerCell,
        public float $nominalV,
        public CellState $state,
        public ?int $shortedCells,
        public ?string $question,
        public array $reasons,
    ) {
    }

    /** @param int $cells 1 or more */
    public static function judge(Chemistry $chemistry, int $cells, float $volts): self
    {
        $each = $volts / $cells;
        $nominal = $cells * $chemistry->nominal();
        $state = $chemistry->state($each);
        $of = Notation::print($volts, Unit::Volt).' on '.($cells === 1 ? 'one cell' : "{$cells} cells").' is '.Notation::print($each, Unit::Volt, 4).' a cell';
        $reasons = ["{$of}: {$state->value} for {$chemistry->words()}"];
        if ($chemistry === Chemistry::LithiumThionyl) {
            $reasons[] = 'the voltage of this chemistry says little until the end';
        }
        $question = self::question($chemistry, $cells, $volts);

        $shorted = self::shorted($chemistry, $cells, $volts, $state);
        if ($shorted !== null) {
            $left = $cells - $shorted;
            $reasons[] = ($shorted === 1 ? 'more likely one shorted cell' : "more likely {$shorted} shorted cells")
                ." than {$cells} that are {$state->value}: on {$left} it is "
                .Notation::print($volts / $left, Unit::Volt, 3).' a cell';
        }

        return new self($each, $nominal, $state, $shorted, $question, $question === null ? $reasons : [...$reasons, $question]);
    }

    public static function read(Node $node): self
    {
        $node->only('chemistry', 'cells', 'volts');

        return self::judge($node->at('chemistry')->enum(Chemistry::class), $node->at('cells')->integer(1, 1000), $node->at('volts')->number());
    }

    /** The fewest shorted cells of a nickel pack that leave the others at an ordinary voltage; null when none do. */
    private static function shorted(Chemistry $chemistry, int $cells, float $volts, CellState $state): ?int
    {
        if (!in_array($chemistry, [Chemistry::NiCd, Chemistry::NiMh], true) || !in_array($state, [CellState::Flat, CellState::Dead], true)) {
            return null;
        }
        for ($n = 1; $n < $cells; ++$n) {
            $each = $volts / ($cells - $n);
            if (Compare::atLeast($each, self::ALIVE_FROM_V) && Compare::atMost($each, self::ALIVE_TO_V)) {
                return $n;
            }
        }

        return null;
    }

    /** What to ask when no such pack can have this voltage; null when it can. */
    private static function question(Chemistry $chemistry, int $cells, float $volts): ?string
    {
        if ($volts < 0) {
            return 'below 0 V: probes the wrong way round, or a cell that is reversed?';
        }
        $most = $chemistry->thresholds()[0] * self::IMPLAUSIBLE;
        if ($volts / $cells <= $most) {
            return null;
        }
        $likely = (int) max(1, round($volts / $chemistry->nominal()));

        return "no {$chemistry->words()} cell has ".Notation::print($volts / $cells, Unit::Volt, 3)
            .": are there {$likely} cells and not {$cells}, or is the meter wrong?";
    }
}
